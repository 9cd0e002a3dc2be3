package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.Locale;
import palmtally.core.body.DrapeUnit;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Direction;
import palmtally.core.sequence.Sides;

/** Beside the spine, never across it. */
@AutoService(Rule.Source.class)
public final class AcrossSpine implements Check {
    public static final Rule RULE =
            new Rule("PRESS-SPINE", Criterion.PRESSURE, Severity.STOP, "Strokes go beside the spine, never across it.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        for (var step : plan.steps) {
            boolean wide = step.side() == Sides.BOTH || step.side() == Sides.MIDLINE;
            if (!wide || step.direction() != Direction.ACROSS || step.depth() == 0) continue;
            var zone = step.zones().stream()
                    .filter(z -> z.unit() == DrapeUnit.BACK && z.paired())
                    .findFirst();
            if (zone.isEmpty()) continue;
            plan.report(
                    RULE,
                    new Where(step.id(), zone.get(), null, null),
                    plan.number(step) + " goes across the spine on "
                            + zone.get().label().toLowerCase(Locale.ROOT)
                            + ": bone takes no pressure, and what crosses it presses on every process.",
                    "Work beside the spine.",
                    new Mend(
                            "Do it beside the spine, one side at a time",
                            s -> s.replacing(step.id(), x -> x.with(e -> e.side = Sides.EACH))));
        }
    }
}
