package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.List;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Step;
import palmtally.core.technique.Stroke;

/** A stretch after heat. */
@AutoService(Rule.Source.class)
public final class StretchAfterHeat extends Afterwards {
    public static final Rule RULE =
            new Rule("ORDER-PREREQ/stretch-after-heat", Criterion.ORDER, Severity.HINT, "After heat: stretch again.");

    public StretchAfterHeat() {
        super(RULE);
    }

    @Override
    boolean cause(Step step) {
        return step.technique().stroke() == Stroke.HEAT;
    }

    @Override
    boolean after(Step step, Plan plan) {
        return step.phase() == Phase.LENGTHEN || step.technique().stroke().lengthens();
    }

    @Override
    String why(Plan plan) {
        return " warms the zone and the new length is not used: stretch again after heat.";
    }

    @Override
    Added add(Plan plan) {
        return new Added("a 30 s stretch", "stretch", List.of(), 2, 30, Phase.LENGTHEN);
    }
}
