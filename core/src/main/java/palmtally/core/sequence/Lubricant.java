package palmtally.core.sequence;

import java.util.Locale;

/** What lies on the skin. */
public enum Lubricant {
    DRY,
    FILM,
    OIL;

    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
