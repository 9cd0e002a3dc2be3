package palmtally.core.demonstration;

import palmtally.core.Texts;

/**
 * One entry of the log of a practice round.
 *
 * @param leg of {@code STARTED} the one that begins; else not looked at
 * @param atSeconds since the round was opened, not before the entry in front of it
 * @param seconds of {@code LONGER}: what is added to the leg that is on, taken away below 0; else not looked at
 */
public record RoundMark(What what, int leg, double atSeconds, double seconds) {
    /** What was done; that a leg is over and the next begins is the clock's doing and is not marked. */
    public enum What {
        STARTED,
        PAUSED,
        RESUMED,
        LONGER,
        FINISHED;

        private final String word = Texts.word(this);

        @Override
        public String toString() {
            return word;
        }
    }
}
