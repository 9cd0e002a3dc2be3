package palmtally.core.practical.event;

import org.jspecify.annotations.Nullable;
import palmtally.core.body.Side;

/** A step that is left out on purpose. */
public record StepSkip(
        String step, @Nullable Side side, @Nullable String text) implements Observation {
    @Override
    public void within(Bounds bounds) {
        bounds.text("step", step, 1, 64);
        bounds.text("text", text);
    }
}
