package palmtally.core.practical.event;

import org.jspecify.annotations.Nullable;
import palmtally.core.body.Side;

/** The step that is on ends; or one that lies beside the hands, where it is named. */
public record StepStop(
        @Words(least = 1, most = 64) @Nullable String step,
        @Nullable Side side) implements Observation {
    @Override
    public void apply(Course course) {
        course.stop(step, side);
    }
}
