package palmtally.core.practical.event;

import org.jspecify.annotations.Nullable;
import palmtally.core.Texts;

/**
 * The client says how strong it is.
 *
 * @param number 0–10
 * @param volunteered nobody had asked
 */
public record Report(
        int number,
        @Nullable String text,
        @Nullable Source source,
        @Nullable Boolean volunteered) implements Observation {
    /** Where it comes from. */
    public enum Source {
        SPOKEN,
        HANDSET;

        private final String word = Texts.word(this);

        @Override
        public String toString() {
            return word;
        }
    }

    public static Report of(int number) {
        return new Report(number, null, null, null);
    }

    /** A number that is said stands for the question before it, unless it was volunteered; one by the handset does not. */
    public boolean wasAsked() {
        return source != Source.HANDSET && !Boolean.TRUE.equals(volunteered);
    }

    @Override
    public void within(Bounds bounds) {
        bounds.whole("number", number, 0, 10);
        bounds.text("text", text);
    }

    @Override
    public boolean judges() {
        return true;
    }
}
