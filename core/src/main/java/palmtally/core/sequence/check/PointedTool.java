package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.Locale;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Ways;
import palmtally.core.technique.Tool;

/** A pointed tool where the site wants a broad one, and the elbow point where the school leaves it out. */
@AutoService(Rule.Source.class)
public final class PointedTool implements Check {
    public static final Rule RULE = new Rule(
            "PRESS-POINT",
            Criterion.PRESSURE,
            Severity.WARN,
            "No pointed tool where the site, or the school, wants a broad one.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        boolean elbow = plan.profile.ways().elbow() == Ways.ElbowPoint.USED;
        for (var step : plan.steps) {
            if (!step.tool().pointed() || step.depth() == 0) continue;
            var site = step.zones().stream()
                    .filter(z -> z.ceiling().map(Zone.Ceiling::broadOnly).orElse(false))
                    .findFirst();
            if (site.isEmpty() && (elbow || step.tool() != Tool.ELBOW)) continue;
            var to = site.isPresent() ? Tool.PALM : Tool.FOREARM;
            plan.report(
                    RULE,
                    new Where(step.id(), site.orElse(step.zones().get(0)), null, null),
                    plan.number(step) + " uses the " + step.handWords()
                            + site.map(z -> " on " + z.label().toLowerCase(Locale.ROOT)
                                            + ", which wants a broad tool: "
                                            + z.ceiling().orElseThrow().why() + ".")
                                    .orElse("; this school leaves the point of the elbow out and uses the forearm."),
                    "Use a broad tool here.",
                    new Mend("Use the " + to.label(), s -> s.replacing(step.id(), x -> x.with(e -> e.tool = to))));
        }
    }
}
