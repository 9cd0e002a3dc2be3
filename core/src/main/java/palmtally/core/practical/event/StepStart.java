package palmtally.core.practical.event;

import org.jspecify.annotations.Nullable;
import palmtally.core.body.Side;

/** A step of the plan begins. */
public record StepStart(String step, @Nullable Side side) implements Observation {
    @Override
    public void within(Bounds bounds) {
        bounds.text("step", step, 1, 64);
    }

    @Override
    public void apply(Course course) {
        course.start(step, side);
    }
}
