package palmtally.core.sequence;

import java.util.Locale;

/** How dearly a step is kept when time is short. */
public enum Importance {
    MUST,
    SHOULD,
    COULD;

    /** 4, 2, 1. */
    public double weight() {
        return switch (this) {
            case MUST -> 4;
            case SHOULD -> 2;
            case COULD -> 1;
        };
    }

    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
