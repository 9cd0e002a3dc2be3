package palmtally.core.practical.event;

import org.jspecify.annotations.Nullable;

/** Something was done well; it scores nothing. */
public record Praise(@Words @Nullable String text) implements Observation {
    @Override
    public boolean judges() {
        return true;
    }
}
