package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.List;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Step;
import palmtally.core.technique.Stroke;

/** A flush after heat. */
@AutoService(Rule.Source.class)
public final class FlushAfterHeat extends Afterwards {
    public static final Rule RULE =
            new Rule("ORDER-PREREQ/flush-after-heat", Criterion.ORDER, Severity.WARN, "After heat: flush the zone.");

    public FlushAfterHeat() {
        super(RULE);
    }

    @Override
    boolean cause(Step step) {
        return step.technique().stroke() == Stroke.HEAT;
    }

    @Override
    boolean after(Step step, Plan plan) {
        return step.calms(plan.firm()) && step.depth() <= 2;
    }

    @Override
    String why(Plan plan) {
        return " warms the zone and nothing flushes it afterwards: what the heat has drawn in stays there.";
    }

    @Override
    Added add(Plan plan) {
        return new Added("a 20 s flush", "effleurage", List.of(), 2, 20, Phase.FLUSH);
    }
}
