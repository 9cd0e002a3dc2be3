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

/** The jaw after the neck. */
@AutoService(Rule.Source.class)
public final class NeckBeforeJaw extends Before {
    public static final Rule RULE =
            new Rule("ORDER-PREREQ/neck-before-jaw", Criterion.ORDER, Severity.WARN, "The neck before the jaw.");

    public NeckBeforeJaw() {
        super(
                RULE,
                Shared.NOTHING,
                " works the jaw before the neck: a tight neck holds the jaw.",
                new Added("30 s on the neck", "effleurage", List.of(Zone.NECK_BACK), 2, 30, Phase.WARM));
    }

    @Override
    protected boolean first(Step step) {
        return step.works(Region.NECK);
    }

    @Override
    protected boolean then(Step step) {
        return step.works(Region.JAW);
    }
}
