package palmtally.core.sequence.check;

import static palmtally.core.finding.Spoken.number;

import com.google.auto.service.AutoService;
import java.util.LinkedHashSet;
import org.hipparchus.util.FastMath;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.technique.Tool;

/** The bare thumb rests often: supported thumb, fist or forearm instead. */
@AutoService(Rule.Source.class)
public final class BareThumb implements Check {
    public static final Rule RULE = new Rule(
            "HAND-BARE",
            Criterion.MECHANICS,
            Severity.WARN,
            "The bare thumb rests often: supported thumb, fist or forearm instead.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        double row = 0;
        double worst = 0;
        double bare = 0;
        double all = 0;
        var inRow = new LinkedHashSet<String>();
        var worstRow = new LinkedHashSet<String>();
        var every = new LinkedHashSet<String>();
        for (var span : plan.handsOn()) {
            all += span.seconds();
            var step = span.stint().step();
            if (step.bareThumb()) {
                row += span.seconds();
                bare += span.seconds();
                inRow.add(step.id());
                every.add(step.id());
                if (row > worst) {
                    worst = row;
                    worstRow = new LinkedHashSet<>(inRow);
                }
            } else {
                row = 0;
                inRow.clear();
            }
        }
        var m = plan.profile.mechanics();
        if (worst > m.bareThumbRowSeconds() + 1e-9)
            plan.report(
                    RULE,
                    Where.step(worstRow.iterator().next()),
                    "The bare thumb works " + number(worst) + " s in a row; after " + number(m.bareThumbRowSeconds())
                            + " s its joint pays for it.",
                    "Support the thumb, or swap to fist or forearm.",
                    plan.swap(worstRow, Tool.SUPPORTED_THUMB));
        else if (all > 0 && bare / all > m.bareThumbShare() + 1e-9)
            plan.report(
                    RULE,
                    Where.step(every.iterator().next()),
                    "The bare thumb does " + FastMath.round(100 * bare / all) + " % of the work; "
                            + FastMath.round(100 * m.bareThumbShare())
                            + " % is the most this school allows, because thumbs are what gives out first.",
                    "Support the thumb, or swap to fist or forearm.",
                    plan.swap(every, Tool.SUPPORTED_THUMB));
    }
}
