package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Timeline.Span;

/** Depth on a zone rises one grade at a time. */
@AutoService(Rule.Source.class)
public final class DepthRise implements Check {
    public static final Rule RULE =
            new Rule("PRESS-STEP", Criterion.PRESSURE, Severity.WARN, "Depth on a zone rises one grade at a time.");

    private record Jump(Span span, Zone zone, int from) {}

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        var jumps = new LinkedHashMap<String, Jump>();
        for (var entry : plan.over.entrySet()) {
            List<Span> spans = entry.getValue();
            // Strokes count, holds at rest do not: a settling hand at 1 is no measure of the next stroke.
            int before = -1;
            for (var span : spans) {
                var step = span.stint().step();
                // A limb that is moved tells the hand nothing of the depth that the tissue takes.
                if (step.technique().stroke().bigMovement()) continue;
                if (before >= 0 && step.depth() > before + 1) {
                    int from = before;
                    jumps.merge(
                            step.id(), new Jump(span, entry.getKey().zone(), from), (a, b) -> a.from <= b.from ? a : b);
                }
                before = step.depth();
            }
        }
        for (var jump : jumps.values()) {
            var step = jump.span.stint().step();
            int to = jump.from + 1;
            plan.report(
                    RULE,
                    plan.at(jump.span, jump.zone, null),
                    plan.number(step) + " rises from depth " + jump.from + " to " + step.depth() + " on "
                            + jump.zone.label().toLowerCase(Locale.ROOT)
                            + " at once: the client guards against what comes suddenly.",
                    "Go up one grade at a time.",
                    new Mend("Lower to depth " + to, s -> s.replacing(step.id(), x -> x.withDepth(to))));
        }
    }
}
