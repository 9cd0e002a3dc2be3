package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Stands;

/** No pointed tool across the table: walk round instead. */
@AutoService(Rule.Source.class)
public final class Reach implements Check {
    public static final Rule RULE = new Rule(
            "REACH", Criterion.MECHANICS, Severity.WARN, "No pointed tool across the table: walk round instead.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        for (var step : plan.steps)
            if (step.tool().pointed() && step.stands() == Stands.ACROSS)
                plan.report(
                        RULE,
                        Where.step(step.id()),
                        plan.number(step) + " brings the " + step.handWords()
                                + " in from across the table: the weight hangs on the arm and the back twists.",
                        "Walk round and work from the same side.",
                        new Mend(
                                "Stand on the same side",
                                s -> s.replacing(step.id(), x -> x.with(e -> e.stands = Stands.SAME_SIDE))));
    }
}
