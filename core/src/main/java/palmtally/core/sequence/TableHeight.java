package palmtally.core.sequence;

import java.util.Locale;

/** How high the table stands for a sequence: low for deep work, higher for light or side-lying work. */
public enum TableHeight {
    LOW,
    MIDDLE,
    HIGH;

    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT);
    }
}
