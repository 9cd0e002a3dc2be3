package palmtally.core.practical.event;

import org.jspecify.annotations.Nullable;

/**
 * The run is stopped for safety.
 *
 * @param byClient the client said stop
 */
public record SafetyStop(
        @Words @Nullable String text, @Nullable Boolean byClient) implements Observation {
    @Override
    public void apply(Course course) {
        course.handsOff();
    }
}
