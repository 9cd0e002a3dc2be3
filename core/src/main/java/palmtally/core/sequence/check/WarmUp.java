package palmtally.core.sequence.check;

import static palmtally.core.finding.Spoken.number;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.Locale;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Step;

/** Warm a zone, on that side, before the first firm stroke. */
@AutoService(Rule.Source.class)
public final class WarmUp implements Check {
    public static final Rule RULE = new Rule(
            "ORDER-WARM", Criterion.ORDER, Severity.STOP, "Warm a zone, on that side, before the first firm stroke.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        double need = plan.profile.order().warmUpSeconds();
        var troubles = new LinkedHashMap<String, Trouble>();
        for (var entry : plan.over.entrySet()) {
            double warmed = 0;
            for (var span : entry.getValue()) {
                var step = span.stint().step();
                if (step.depth() >= plan.firm()) {
                    if (warmed < need - 1e-9) {
                        double had = warmed;
                        var t = troubles.computeIfAbsent(
                                step.id(), k -> new Trouble(span, entry.getKey().zone(), had));
                        t.sides.add(entry.getKey().side());
                        t.worst = Math.min(t.worst, had);
                    }
                    break;
                }
                if (step.calms(plan.firm())) warmed += span.seconds();
            }
        }
        for (var t : troubles.values()) {
            var step = t.span.stint().step();
            double missing = Math.ceil((need - t.worst) / 5) * 5;
            int depth = Math.min(Math.min(2, plan.ceiling(step)), plan.firm() - 1);
            var mend = depth < 1
                    ? null
                    : new Mend(
                            "Add " + number(missing) + " s palm glide before "
                                    + plan.number(step).toLowerCase(Locale.ROOT),
                            s -> s.inserting(
                                    step.id(),
                                    plan.palmStroke(step, "warm-up", "Warm-up palm glide", depth, missing, Phase.WARM)
                                            .with(e -> e.before.add(step.id())),
                                    0));
            plan.report(
                    RULE,
                    plan.at(t.span, t.zone, t.side()),
                    plan.number(step) + " goes firm on " + t.zone.label().toLowerCase(Locale.ROOT)
                            + (t.side() == null ? "" : ", " + t.side()) + ", after "
                            + number(t.worst) + " s of warm-up; the profile asks for " + number(need)
                            + " s, because unprepared tissue guards.",
                    "Warm this zone with a broad, light stroke first.",
                    mend);
        }
    }

    @Override
    public void bind(HardLinks links) {
        int firm = links.plan().firm();
        double need = links.plan().profile.order().warmUpSeconds();
        for (var touched : links.touches()) {
            double sum = 0;
            var warmers = new ArrayList<Step>();
            for (var step : touched) {
                if (step.depth() >= firm) for (var w : warmers) links.link(w, step);
                else if (step.calms(firm) && sum < need) {
                    warmers.add(step);
                    sum += step.dose().totalSeconds();
                }
            }
        }
    }
}
