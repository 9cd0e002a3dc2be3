package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.List;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Step;
import palmtally.core.technique.Stroke;

/** Length after a point was pressed. */
@AutoService(Rule.Source.class)
public final class LengthenAfterPoint extends Afterwards {
    public static final Rule RULE = new Rule(
            "ORDER-PREREQ/lengthen-after-point",
            Criterion.ORDER,
            Severity.HINT,
            "Find, press, release, then restore length.");

    public LengthenAfterPoint() {
        super(RULE);
    }

    @Override
    boolean cause(Step step) {
        return step.technique().stroke() == Stroke.TRIGGER_POINT;
    }

    @Override
    boolean after(Step step, Plan plan) {
        return step.phase() == Phase.LENGTHEN || step.technique().stroke().lengthens();
    }

    @Override
    String why(Plan plan) {
        return " presses a point and nothing restores the length afterwards: a released muscle shortens again.";
    }

    @Override
    Added add(Plan plan) {
        return new Added("a 30 s stretch", "stretch", List.of(), 2, 30, Phase.LENGTHEN);
    }
}
