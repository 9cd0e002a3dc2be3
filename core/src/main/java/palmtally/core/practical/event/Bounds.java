package palmtally.core.practical.event;

import org.jspecify.annotations.Nullable;

/** Takes from an observation within what bounds lies what it carries. */
public interface Bounds {
    /** Most characters of a text of which nothing else is said. */
    int MOST_OF_A_TEXT = 4000;

    /** A whole number, both bounds included. */
    void whole(String part, @Nullable Integer value, int least, int most);

    /** A text of so many characters. */
    void text(String part, @Nullable String value, int least, int most);

    /** A text of any length that can be kept. */
    default void text(String part, @Nullable String value) {
        text(part, value, 0, MOST_OF_A_TEXT);
    }
}
