package palmtally.core.practical.event;

import palmtally.core.Texts;

/** A word of the client's, by the handset; what the pressure is like is a report. */
public record ClientWord(Word word) implements Observation {
    /** What it says. */
    public enum Word {
        TICKLES,
        COLD;

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
