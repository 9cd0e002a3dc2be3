package palmtally.core.sequence.detail;

import java.util.Locale;

/** How the therapist is at the table besides place and stance (common practice, no source). */
public enum Manner {
    /** Turns by a quarter within the stroke. */
    PIVOTS,
    /** As in work on the neck. */
    FOREARM_ON_TABLE,
    ELBOWS_STRAIGHT,
    LEANS_IN;

    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
