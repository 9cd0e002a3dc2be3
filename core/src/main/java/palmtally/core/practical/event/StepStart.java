package palmtally.core.practical.event;

import org.jspecify.annotations.Nullable;
import palmtally.core.body.Side;

/** A step of the plan begins. */
public record StepStart(
        @Words(least = 1, most = 64) String step, @Nullable Side side) implements Observation {
    @Override
    public void apply(Course course) {
        course.start(step, side);
    }
}
