package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import org.hipparchus.util.FastMath;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.technique.Tool;

/** Thumbs and the elbow point rest: broad tools carry most of the time. */
@AutoService(Rule.Source.class)
public final class PointedLoad implements Check {
    public static final Rule RULE = new Rule(
            "HAND-LOAD",
            Criterion.MECHANICS,
            Severity.HINT,
            "Thumbs and the elbow point rest: broad tools carry most of the time.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        double pointed = 0;
        double all = 0;
        var seconds = new LinkedHashMap<String, Double>();
        for (var span : plan.handsOn()) {
            all += span.seconds();
            if (!span.stint().step().tool().pointed()) continue;
            pointed += span.seconds();
            seconds.merge(span.stint().step().id(), span.seconds(), Double::sum);
        }
        double share = plan.profile.mechanics().pointedShare();
        if (all == 0 || pointed / all <= share + 1e-9) return;
        var swapped = new LinkedHashSet<String>();
        double left = pointed;
        var byLength = new ArrayList<>(seconds.entrySet());
        byLength.sort(java.util.Map.Entry.<String, Double>comparingByValue(Comparator.reverseOrder()));
        for (var e : byLength) {
            if (left / all <= share + 1e-9) break;
            swapped.add(e.getKey());
            left -= e.getValue();
        }
        plan.report(
                RULE,
                Where.step(byLength.get(0).getKey()),
                "Thumbs and elbow point do " + FastMath.round(100 * pointed / all) + " % of the work; above "
                        + FastMath.round(100 * share) + " % a day of it wears the hands out.",
                "Swap some of it to reinforced fingers, fist or forearm.",
                plan.swap(swapped, Tool.REINFORCED_FINGERS));
    }
}
