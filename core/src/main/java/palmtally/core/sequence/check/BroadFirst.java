package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.HashSet;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Step;

/** Broad tool before pointed tool on a zone. */
@AutoService(Rule.Source.class)
public final class BroadFirst implements Check {
    public static final Rule RULE =
            new Rule("ORDER-BROAD", Criterion.ORDER, Severity.WARN, "Broad tool before pointed tool on a zone.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        var seen = new HashSet<String>();
        for (var entry : plan.over.entrySet()) {
            boolean broad = false;
            for (var span : entry.getValue()) {
                var step = span.stint().step();
                if (step.tool().pointed()) {
                    if (!broad && seen.add(step.id())) {
                        int depth = Math.min(2, plan.ceiling(step));
                        plan.report(
                                RULE,
                                plan.at(
                                        span,
                                        entry.getKey().zone(),
                                        span.stint().side()),
                                plan.number(step) + " meets "
                                        + entry.getKey().zone().label().toLowerCase(Locale.ROOT) + " with the "
                                        + step.handWords()
                                        + " before any broad tool: a point on unprepared tissue hurts and tells the hand little.",
                                "Work the zone with palm, fist or forearm first.",
                                depth < 1
                                        ? null
                                        : new Mend(
                                                "Add 30 s palm work before "
                                                        + plan.number(step).toLowerCase(Locale.ROOT),
                                                s -> s.inserting(
                                                        step.id(),
                                                        plan.palmStroke(
                                                                step,
                                                                "broad",
                                                                "Broad palm stroke",
                                                                depth,
                                                                30,
                                                                Phase.WARM),
                                                        0)));
                    }
                    break;
                }
                if (step.depth() > 0) broad = true;
            }
        }
    }

    @Override
    public void bind(HardLinks links) {
        for (var touched : links.touches()) {
            @Nullable Step broad = null;
            for (var step : touched)
                if (step.tool().pointed()) {
                    if (broad != null) links.link(broad, step);
                } else if (broad == null && step.depth() > 0) broad = step;
        }
    }
}
