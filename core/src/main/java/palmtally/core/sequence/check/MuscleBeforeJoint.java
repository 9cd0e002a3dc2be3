package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.List;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Step;
import palmtally.core.technique.Stroke;

/** A joint after the muscles that guard it. */
@AutoService(Rule.Source.class)
public final class MuscleBeforeJoint extends Before {
    public static final Rule RULE = new Rule(
            "ORDER-PREREQ/muscle-before-joint", Criterion.ORDER, Severity.WARN, "The muscles before their joint.");

    public MuscleBeforeJoint() {
        super(
                RULE,
                Shared.REGION,
                " moves a joint whose muscles have not been worked: they guard it.",
                new Added("40 s of kneading", "petrissage", List.of(), 2, 40, Phase.WARM));
    }

    @Override
    protected boolean first(Step step) {
        var stroke = step.technique().stroke();
        return step.depth() > 1
                && (stroke.warming()
                        || stroke == Stroke.STRIPPING
                        || stroke == Stroke.CIRCULAR_FRICTION
                        || stroke == Stroke.CROSS_FIBRE_FRICTION
                        || stroke == Stroke.STATIC_COMPRESSION
                        || stroke == Stroke.TRIGGER_POINT);
    }

    @Override
    protected boolean then(Step step) {
        var stroke = step.technique().stroke();
        return stroke == Stroke.JOINT_GLIDE || stroke == Stroke.RANGE_OF_MOTION && step.phase() != Phase.ASSESS;
    }
}
