package palmtally.core.sequence.detail;

import palmtally.core.Texts;

/** How the therapist is at the table besides place and stance (common practice, no source). */
public enum Manner {
    /** Turns by a quarter within the stroke. */
    PIVOTS,
    /** As in work on the neck. */
    FOREARM_ON_TABLE,
    ELBOWS_STRAIGHT,
    LEANS_IN;

    private final String word = Texts.word(this);

    @Override
    public String toString() {
        return word;
    }
}
