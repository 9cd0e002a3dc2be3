package palmtally.core.sequence;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import palmtally.core.body.Zone;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Ways;
import palmtally.core.sequence.Timeline.Span;
import palmtally.core.technique.Tool;

/** Checks of how deep a plan goes, by site (common practice, no source). */
final class PressureChecks {
    private PressureChecks() {}

    static final class Ceiling implements Check {
        @Override
        public Rule rule() {
            return Rule.PRESS_CEILING;
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

        private void report(Plan plan, Step step, Zone zone, int ceiling) {
            boolean named = plan.profile.pressure().names(zone);
            var severity = plan.profile.severity(rule());
            if (!named && severity.compareTo(Severity.HINT) > 0) severity = Severity.HINT;
            int to = plan.ceiling(step);
            plan.report(
                    rule(),
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
                            ? null
                            : new Mend("Lower to depth " + to, s -> s.replacing(step.id(), x -> x.withDepth(to))));
        }
    }

    static final class Rise implements Check {
        private record Jump(Span span, Zone zone, int from) {}

        @Override
        public Rule rule() {
            return Rule.PRESS_STEP;
        }

        @Override
        public void look(Plan plan) {
            var jumps = new LinkedHashMap<String, Jump>();
            for (var entry : plan.touches.entrySet()) {
                List<Span> spans = entry.getValue();
                // Strokes count, holds at rest do not: a settling hand at 1 is no measure of the next stroke.
                int before = -1;
                for (var span : spans) {
                    var step = span.stint().step();
                    if (before >= 0 && step.depth() > before + 1) {
                        int from = before;
                        jumps.merge(
                                step.id(),
                                new Jump(span, entry.getKey().zone(), from),
                                (a, b) -> a.from <= b.from ? a : b);
                    }
                    before = step.depth();
                }
            }
            for (var jump : jumps.values()) {
                var step = jump.span.stint().step();
                int to = jump.from + 1;
                plan.report(
                        rule(),
                        plan.at(jump.span, jump.zone, null),
                        plan.number(step) + " rises from depth " + jump.from + " to " + step.depth() + " on "
                                + jump.zone.label().toLowerCase(Locale.ROOT)
                                + " at once: the client guards against what comes suddenly.",
                        "Go up one grade at a time.",
                        new Mend("Lower to depth " + to, s -> s.replacing(step.id(), x -> x.withDepth(to))));
            }
        }
    }

    /** A pointed tool where the site wants a broad one, and the elbow point where the school leaves it out. */
    static final class Pointed implements Check {
        @Override
        public Rule rule() {
            return Rule.PRESS_POINT;
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
                        rule(),
                        new Where(step.id(), site.orElse(step.zones().get(0)), null, null),
                        plan.number(step) + " uses the " + step.tool().label()
                                + site.map(z -> " on " + z.label().toLowerCase(Locale.ROOT)
                                                + ", which wants a broad tool: "
                                                + z.ceiling().orElseThrow().why() + ".")
                                        .orElse(
                                                "; this school leaves the point of the elbow out and uses the forearm."),
                        "Use a broad tool here.",
                        new Mend("Use the " + to.label(), s -> s.replacing(step.id(), x -> x.with(e -> e.tool = to))));
            }
        }
    }
}
