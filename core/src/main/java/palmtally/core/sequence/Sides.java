package palmtally.core.sequence;

import java.util.Locale;

/** Where a step is due: one side, the midline, both at once, or each side in turn. */
public enum Sides {
    LEFT,
    RIGHT,
    MIDLINE,
    BOTH,
    EACH;

    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT);
    }
}
