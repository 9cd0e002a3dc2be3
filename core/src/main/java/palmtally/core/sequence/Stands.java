package palmtally.core.sequence;

import java.util.Locale;

/** Where the therapist stands, seen from the side that is worked. */
public enum Stands {
    SAME_SIDE,
    ACROSS,
    HEAD,
    FOOT,
    CORNER;

    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
