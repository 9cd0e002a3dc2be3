package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.List;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Step;
import palmtally.core.technique.Stroke;

/** A joint glide after a gentle distraction. */
@AutoService(Rule.Source.class)
public final class DistractionBeforeGlide extends Before {
    public static final Rule RULE = new Rule(
            "ORDER-PREREQ/distraction-before-glide",
            Criterion.ORDER,
            Severity.WARN,
            "A gentle distraction before a joint glide.");

    public DistractionBeforeGlide() {
        super(
                RULE,
                Shared.ZONE,
                " glides a joint that has not been eased apart first.",
                new Added("a gentle distraction", "traction", List.of(), 1, 10, Phase.TREAT));
    }

    @Override
    protected boolean first(Step step) {
        return step.technique().stroke() == Stroke.TRACTION;
    }

    @Override
    protected boolean then(Step step) {
        return step.technique().stroke() == Stroke.JOINT_GLIDE;
    }
}
