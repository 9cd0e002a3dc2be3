package palmtally.core.sequence;

import java.util.Locale;

/** How the therapist stands or sits. */
public enum Stance {
    LUNGE,
    HORSE,
    SEATED,
    /** Sitting or kneeling on the table's edge: some schools forbid it, others use it. */
    ON_TABLE;

    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
