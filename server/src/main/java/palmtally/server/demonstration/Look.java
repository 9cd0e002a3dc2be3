package palmtally.server.demonstration;

import java.util.Locale;

/** What of a step stands on the presenter's screen and on the class's. */
public enum Look {
    BOTH,
    PICTURE,
    WORDS;

    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT);
    }
}
