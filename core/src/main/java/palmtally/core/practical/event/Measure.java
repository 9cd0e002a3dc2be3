package palmtally.core.practical.event;

import org.jspecify.annotations.Nullable;
import palmtally.core.Texts;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;

/**
 * A measurement of the client.
 *
 * @param number pain 0–10, or degrees
 * @param after taken after the work, not before
 */
public record Measure(
        What measured,
        int number,
        @Nullable Boolean after,
        @Nullable Zone zone,
        @Nullable Side side) implements Observation {
    /** What is measured. */
    public enum What {
        PAIN,
        RANGE;

        private final String word = Texts.word(this);

        @Override
        public String toString() {
            return word;
        }
    }

    @Override
    public boolean judges() {
        return true;
    }
}
