package palmtally.core.picture;

import com.google.auto.service.AutoService;
import java.util.HashSet;
import org.hipparchus.util.FastMath;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Stands;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.check.Check;
import palmtally.core.sequence.check.Mend;
import palmtally.core.sequence.check.Plan;

/** Work lies within reach of where the therapist stands, and no pointed tool comes from across the table. */
@AutoService(Rule.Source.class)
public final class Reach implements Check {
    public static final Rule RULE = new Rule(
            "REACH",
            Criterion.MECHANICS,
            Severity.WARN,
            "Within reach of where the therapist stands, and no pointed tool across the table: walk round instead.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        var seen = new HashSet<String>();
        for (var span : plan.spans()) {
            var step = span.stint().step();
            // Beside what is worked everything is within reach.
            if (step.stands() == Stands.SAME_SIDE || seen.contains(step.id())) continue;
            if (step.tool().pointed() && step.stands() == Stands.ACROSS)
                report(
                        plan,
                        step,
                        " brings the " + step.handWords()
                                + " in from across the table: the weight hangs on the arm and the back twists.");
            else {
                var measured = Measured.of(span.stint());
                if (measured.within()) continue;
                report(
                        plan,
                        step,
                        " works " + centimetres(measured.reach()) + " from the feet; "
                                + centimetres(measured.comfortable())
                                + " are in reach of an adult of middle height without bending in the waist.");
            }
            seen.add(step.id());
        }
    }

    private static void report(Plan plan, Step step, String sentence) {
        plan.report(
                RULE,
                Where.step(step.id()),
                plan.number(step) + sentence,
                "Walk round and work from the same side.",
                new Mend(
                        "Stand on the same side",
                        s -> s.replacing(step.id(), x -> x.with(e -> e.stands = Stands.SAME_SIDE))));
    }

    private static String centimetres(double millimetres) {
        return FastMath.round(millimetres / 10) + " cm";
    }
}
