package palmtally.core.practical.event;

import org.jspecify.annotations.Nullable;
import palmtally.core.body.Side;

/** The step that is on ends; or one that lies beside the hands, where it is named. */
public record StepStop(@Nullable String step, @Nullable Side side) implements Observation {
    @Override
    public void within(Bounds bounds) {
        bounds.text("step", step, 1, 64);
    }

    @Override
    public void apply(Course course) {
        course.stop(step, side);
    }
}
