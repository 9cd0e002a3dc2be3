package palmtally.core.sequence;

import palmtally.core.Texts;

/** How the therapist stands or sits. */
public enum Stance {
    LUNGE,
    HORSE,
    /** On one knee beside the table. */
    ONE_KNEE,
    SEATED,
    /** Sitting or kneeling on the table's edge: some schools forbid it, others use it. */
    ON_TABLE,
    /** A knee on the table as an armrest: likewise. */
    KNEE_ON_TABLE;

    private final String word = Texts.word(this);

    /** Whether a school may forbid it. */
    public boolean onTable() {
        return this == ON_TABLE || this == KNEE_ON_TABLE;
    }

    @Override
    public String toString() {
        return word;
    }
}
