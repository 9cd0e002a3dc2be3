package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.Locale;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Step;

/** No deeper than the site allows. */
@AutoService(Rule.Source.class)
public final class SiteCeiling implements Check {
    public static final Rule RULE =
            new Rule("PRESS-CEILING", Criterion.PRESSURE, Severity.STOP, "No deeper than the site allows.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        for (var step : plan.steps)
            for (var zone : step.zones()) {
                int ceiling = plan.profile.pressure().ceiling(zone);
                if (step.depth() > ceiling) {
                    report(plan, step, zone, ceiling);
                    break;
                }
            }
    }

    /** A site that takes no pressure is left out: of the step where that has others, else with it, where it is not all there is. */
    private static @Nullable Mend without(Plan plan, Step step, Zone zone) {
        var name = plan.number(step).toLowerCase(Locale.ROOT);
        if (step.zones().size() > 1)
            return new Mend(
                    "Leave " + zone.label().toLowerCase(Locale.ROOT) + " out of " + name,
                    s -> s.replacing(step.id(), x -> x.with(e -> e.zones.remove(zone))));
        return plan.steps.size() == 1 ? null : new Mend("Take " + name + " out", s -> s.without(Set.of(step.id())));
    }

    private void report(Plan plan, Step step, Zone zone, int ceiling) {
        boolean named = plan.profile.pressure().names(zone);
        var severity = plan.profile.severity(RULE);
        if (!named && severity.compareTo(Severity.HINT) > 0) severity = Severity.HINT;
        int to = plan.ceiling(step);
        plan.report(
                RULE,
                severity,
                new Where(step.id(), zone, null, null),
                plan.number(step) + " goes to depth " + step.depth() + " on "
                        + zone.label().toLowerCase(Locale.ROOT) + "; "
                        + (named
                                ? "this site takes " + ceiling + " at most"
                                        + zone.ceiling()
                                                .map(c -> ": " + c.why())
                                                .orElse(" at this school")
                                : "no ceiling is listed for it, so " + ceiling + " is taken")
                        + ".",
                ceiling == 0
                        ? "Leave this site out, or get it taught by a licensed practitioner."
                        : "Stay at or below the ceiling.",
                to == 0
                        ? without(plan, step, zone)
                        : new Mend("Lower to depth " + to, s -> s.replacing(step.id(), x -> x.withDepth(to))));
    }
}
