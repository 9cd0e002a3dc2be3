package palmtally.core.practical.event;

import org.jspecify.annotations.Nullable;

/**
 * The run is stopped for safety.
 *
 * @param byClient the client said stop
 */
public record SafetyStop(@Nullable String text, @Nullable Boolean byClient) implements Observation {
    @Override
    public void within(Bounds bounds) {
        bounds.text("text", text);
    }

    @Override
    public void apply(Course course) {
        course.handsOff();
    }
}
