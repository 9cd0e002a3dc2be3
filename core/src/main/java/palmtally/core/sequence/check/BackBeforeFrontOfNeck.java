package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Set;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Step;

/** The front of the neck after its back. */
@AutoService(Rule.Source.class)
public final class BackBeforeFrontOfNeck extends Before {
    public static final Rule RULE = new Rule(
            "ORDER-PREREQ/back-before-front-of-neck",
            Criterion.ORDER,
            Severity.WARN,
            "The back of the neck before its front.");

    private static final Set<Zone> BACK_OF_NECK = Set.of(Zone.NECK_BACK, Zone.BASE_OF_SKULL, Zone.TOP_OF_SHOULDER);

    public BackBeforeFrontOfNeck() {
        super(
                RULE,
                Shared.NOTHING,
                " works the front of the neck before its back has been met: the client guards the throat.",
                new Added("30 s on the back of the neck", "effleurage", List.of(Zone.NECK_BACK), 2, 30, Phase.WARM));
    }

    @Override
    protected boolean first(Step step) {
        return step.works(BACK_OF_NECK);
    }

    @Override
    protected boolean then(Step step) {
        return step.works(Zone.FRONT_OF_NECK);
    }
}
