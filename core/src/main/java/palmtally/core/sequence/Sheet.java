package palmtally.core.sequence;

import java.util.Locale;

/** How a zone is reached: skin, through the sheet, or covered and not touched. */
public enum Sheet {
    OPEN,
    THROUGH,
    COVERED;

    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
