package palmtally.core.practical.event;

import java.util.Locale;

/** A word of the client's, by the handset; what the pressure is like is a report. */
public record ClientWord(Word word) implements Observation {
    /** What it says. */
    public enum Word {
        TICKLES,
        COLD;

        @Override
        public String toString() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    @Override
    public boolean judges() {
        return true;
    }
}
