package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.HashSet;
import java.util.Locale;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;

/** The author's own links: a step that stands before one it was linked behind. */
@AutoService(Rule.Source.class)
public final class OwnLinks implements Check {
    public static final Rule RULE =
            new Rule("ORDER-PREREQ/link", Criterion.ORDER, Severity.WARN, "A step after those it was linked behind.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        var linked = plan.steps.stream().filter(s -> !s.before().isEmpty()).toList();
        var seen = new HashSet<String>();
        for (var step : plan.inTime()) {
            for (var late : linked)
                if (late.before().contains(step.id()) && !seen.contains(late.id()))
                    plan.report(
                            RULE,
                            Where.step(step.id()),
                            plan.number(step) + " stands before "
                                    + plan.number(late).toLowerCase(Locale.ROOT)
                                    + ", though its author linked it behind.",
                            "Put them in the order of the link, or take the link away.",
                            plan.canMove(late, step)
                                    ? new Mend(
                                            "Move " + plan.number(late).toLowerCase(Locale.ROOT) + " before "
                                                    + plan.number(step).toLowerCase(Locale.ROOT),
                                            s -> s.moving(late.id(), step.id(), 0))
                                    : new Mend(
                                            "Take the link away",
                                            s -> s.replacing(late.id(), x -> x.with(e -> e.before.remove(step.id())))));
            seen.add(step.id());
        }
    }
}
