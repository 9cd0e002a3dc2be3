package palmtally.core.practical.event;

import org.jspecify.annotations.Nullable;

/** Something was done well; it scores nothing. */
public record Praise(@Nullable String text) implements Observation {
    @Override
    public void within(Bounds bounds) {
        bounds.text("text", text);
    }

    @Override
    public boolean judges() {
        return true;
    }
}
