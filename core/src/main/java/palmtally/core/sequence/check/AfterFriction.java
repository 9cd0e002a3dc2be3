package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.List;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Ways;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Step;
import palmtally.core.technique.ScopeTopic;
import palmtally.core.technique.Stroke;

/** Cold or heat after friction, where the school teaches them hands on. */
@AutoService(Rule.Source.class)
public final class AfterFriction extends Afterwards {
    public static final Rule RULE = new Rule(
            "ORDER-PREREQ/after-friction",
            Criterion.ORDER,
            Severity.WARN,
            "After friction: cold or heat, as the school teaches.");

    public AfterFriction() {
        super(RULE);
    }

    private static boolean cold(Plan plan) {
        return plan.profile.ways().afterFriction() == Ways.AfterFriction.COLD;
    }

    @Override
    boolean asked(Plan plan) {
        var level = plan.profile.scope(ScopeTopic.HEAT_AND_COLD);
        return level != ScopeTopic.Level.NOT_TAUGHT && level != ScopeTopic.Level.THEORY_ONLY;
    }

    @Override
    boolean cause(Step step) {
        return step.technique().stroke() == Stroke.CROSS_FIBRE_FRICTION;
    }

    @Override
    boolean after(Step step, Plan plan) {
        var stroke = step.technique().stroke();
        return cold(plan) ? stroke.cools() : stroke == Stroke.HEAT;
    }

    @Override
    String why(Plan plan) {
        return " irritates the fibre on purpose and no " + (cold(plan) ? "cold" : "heat")
                + " follows, as this school has it.";
    }

    @Override
    Added add(Plan plan) {
        return cold(plan)
                ? new Added("60 s of cold strokes", "cold", List.of(), 1, 60, Phase.RESET)
                : new Added("5 min of heat", "heat", List.of(), 1, 300, Phase.RESET);
    }
}
