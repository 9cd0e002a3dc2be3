package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.LinkedHashMap;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Timeline.Span;

/** Calm a zone with a light broad stroke after the last deep one. */
@AutoService(Rule.Source.class)
public final class FlushAfterDeep implements Check {
    public static final Rule RULE = new Rule(
            "ORDER-FLUSH",
            Criterion.ORDER,
            Severity.WARN,
            "Calm a zone with a light broad stroke after the last deep one.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        var troubles = new LinkedHashMap<String, Trouble>();
        for (var entry : plan.over.entrySet()) {
            @Nullable Span deep = null;
            for (var span : entry.getValue()) {
                if (span.stint().step().depth() >= plan.firm()) deep = span;
                else if (span.stint().step().calms(plan.firm())
                        && span.stint().step().depth() <= 2) deep = null;
            }
            if (deep == null) continue;
            var last = deep;
            troubles.computeIfAbsent(
                            deep.stint().step().id(),
                            k -> new Trouble(last, entry.getKey().zone(), 0))
                    .sides
                    .add(entry.getKey().side());
        }
        for (var t : troubles.values()) {
            var step = t.span.stint().step();
            int depth = Math.min(2, plan.ceiling(step));
            plan.report(
                    RULE,
                    plan.at(t.span, t.zone, t.side()),
                    "Nothing calms " + t.zone.label().toLowerCase(Locale.ROOT) + " after "
                            + plan.number(step).toLowerCase(Locale.ROOT)
                            + ", its last deep one: deep work left unflushed stays sore.",
                    "Flush the zone with a light broad stroke before leaving it.",
                    depth < 1
                            ? null
                            : new Mend(
                                    "Add 20 s flush after " + plan.number(step).toLowerCase(Locale.ROOT),
                                    s -> s.inserting(
                                            step.id(),
                                            plan.palmStroke(step, "flush", "Flush, palm glide", depth, 20, Phase.FLUSH),
                                            1)));
        }
    }

    @Override
    public void bind(HardLinks links) {
        int firm = links.plan().firm();
        for (var touched : links.touches()) {
            @Nullable Step flush = null;
            for (int i = touched.size() - 1; i >= 0; i--) {
                var step = touched.get(i);
                if (flush == null && step.calms(firm) && step.depth() <= 2) flush = step;
                if (flush != null && step.depth() >= firm) links.link(step, flush);
            }
        }
    }
}
