package palmtally.core.sequence.detail;

import java.util.Locale;

/** How quickly a stroke is given. */
public enum Pace {
    SLOW,
    STEADY,
    QUICK;

    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
