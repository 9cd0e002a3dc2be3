package palmtally.core.body;

import java.util.Locale;

/** How the client lies or sits. */
public enum Position {
    PRONE,
    SUPINE,
    SIDE_LEFT,
    SIDE_RIGHT,
    SEMI_RECLINED,
    SEATED;

    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
