package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.List;
import palmtally.core.body.Region;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Step;

/** The gluteals by way of the thigh. */
@AutoService(Rule.Source.class)
public final class ThighBeforeGluteal extends Before {
    public static final Rule RULE = new Rule(
            "ORDER-PREREQ/thigh-before-gluteal",
            Criterion.ORDER,
            Severity.WARN,
            "Ease in to guarded areas: the thigh before the gluteals.");

    public ThighBeforeGluteal() {
        super(
                RULE,
                Shared.NOTHING,
                " reaches the gluteals without coming from the thigh: a guarded area is eased into.",
                new Added("30 s on the thigh", "effleurage", List.of(Zone.HAMSTRINGS), 2, 30, Phase.WARM));
    }

    @Override
    protected boolean first(Step step) {
        return step.works(Region.THIGH);
    }

    @Override
    protected boolean then(Step step) {
        return step.works(Zone.GLUTEAL);
    }
}
