package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Saying;
import palmtally.core.technique.Stroke;

/** Questions around a hold, as the school decides its end. */
@AutoService(Rule.Source.class)
public final class Interview implements Check {
    public static final Rule RULE = new Rule(
            "COMM-INTERVIEW",
            Criterion.COMMUNICATION,
            Severity.WARN,
            "Trigger-point interview: tender, number, travelling, easing, in this order.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        int need = switch (plan.profile.ways().decides()) {
            case TOUCH -> 0;
            case REPORT -> 1;
            case BOTH -> 2;
        };
        for (var step : plan.steps) {
            if (step.technique().stroke() != Stroke.TRIGGER_POINT || step.depth() == 0) continue;
            long asked = step.say().stream()
                    .filter(s -> s.kind() == SayKind.INTERVIEW)
                    .count();
            if (asked >= need) continue;
            plan.report(
                    RULE,
                    Where.step(step.id()),
                    plan.number(step) + " holds a point and "
                            + (asked == 0 ? "asks nothing" : "asks only once")
                            + "; in this school the client's number "
                            + (need == 1
                                    ? "ends a hold."
                                    : "before and as it eases ends a hold, together with what the hand feels."),
                    "Ask whether it is tender, what number, whether it travels, and whether it is easing.",
                    new Mend(
                            "Add the interview",
                            s -> s.replacing(step.id(), x -> {
                                var y = asked > 0
                                        ? x
                                        : x.saying(Saying.of(
                                                SayKind.INTERVIEW,
                                                "Is it tender? What number, 0 to 10? Does it travel?"));
                                return need < 2
                                        ? y
                                        : y.saying(new Saying(SayKind.INTERVIEW, "Is it easing: what number now?", 5));
                            })));
        }
    }
}
