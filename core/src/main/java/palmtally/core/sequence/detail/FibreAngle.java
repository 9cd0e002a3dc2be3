package palmtally.core.sequence.detail;

import java.util.Locale;

/** How a stroke lies to the fibre. */
public enum FibreAngle {
    ALONG,
    ACROSS,
    OBLIQUE;

    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
