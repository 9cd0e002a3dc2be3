package palmtally.core.practical.event;

import org.jspecify.annotations.Nullable;

/** Hands and clock rest: somebody is late, the fire bell rings. Off when it goes on. */
public record Break(boolean on, @Nullable String text) implements Observation {
    @Override
    public void within(Bounds bounds) {
        bounds.text("text", text);
    }

    @Override
    public void apply(Course course) {
        course.handsOff();
    }
}
