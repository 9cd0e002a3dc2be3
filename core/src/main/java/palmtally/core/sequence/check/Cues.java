package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Ways;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Saying;
import palmtally.core.sequence.Step;
import palmtally.core.technique.Technique.Effort;

/** Ready cue and relax cue around the client's own movement, and the part in it that the school gives the client. */
@AutoService(Rule.Source.class)
public final class Cues implements Check {
    public static final Rule RULE = new Rule(
            "COMM-CUE",
            Criterion.COMMUNICATION,
            Severity.WARN,
            "Ready cue and relax cue around the client's own movement, and the part in it that the school gives the client.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        var way = plan.profile.ways().clientPart();
        for (var step : plan.steps) {
            var where = Where.step(step.id());
            if (way == Ways.ClientPart.PASSIVE && step.clientMoves()) {
                plan.report(
                        RULE,
                        where,
                        plan.number(step) + " lets the client move; this school keeps the client passive.",
                        "Move the limb for the client.",
                        new Mend(
                                "Keep the client passive",
                                s -> s.replacing(step.id(), x -> x.with(e -> e.effort = Effort.PASSIVE))));
            } else if (way == Ways.ClientPart.ACTIVE && step.lengthens() && step.effort() == Effort.PASSIVE) {
                plan.report(
                        RULE,
                        where,
                        plan.number(step) + " lengthens a passive client; in this school the client moves.",
                        "Let the client make the movement, with a ready cue and a relax cue.",
                        new Mend(
                                "Let the client move",
                                s -> s.replacing(step.id(), x -> cued(x.with(e -> e.effort = Effort.ACTIVE)))));
            } else if (step.effort().needsCues() && !(step.says(SayKind.READY_CUE) && step.says(SayKind.RELAX_CUE)))
                plan.report(
                        RULE,
                        where,
                        plan.number(step)
                                + " asks the client to move without a ready cue and a relax cue: nobody knows when it starts and when it is over.",
                        "Say when to start and when to let go.",
                        new Mend("Add ready and relax cue", s -> s.replacing(step.id(), Cues::cued)));
        }
    }

    private static Step cued(Step step) {
        var x = step.says(SayKind.READY_CUE) ? step : step.saying(Saying.of(SayKind.READY_CUE, "Ready? And now."));
        return x.says(SayKind.RELAX_CUE)
                ? x
                : x.saying(new Saying(
                        SayKind.RELAX_CUE,
                        "And let go.",
                        Math.floor(Math.min(x.dose().totalSeconds(), 3600))));
    }
}
