package palmtally.core.practical.event;

import org.jspecify.annotations.Nullable;
import palmtally.core.Texts;
import palmtally.core.sequence.SayKind;

/**
 * The therapist says something.
 *
 * @param style how a question is put
 * @param number which question of an interview, 1–4
 */
public record Say(
        SayKind saying,
        @Nullable Style style,
        @Nullable Integer number,
        @Nullable String text) implements Observation {
    /** How a question is put. */
    public enum Style {
        OPEN,
        CHOICE,
        CLOSED;

        private final String word = Texts.word(this);

        @Override
        public String toString() {
            return word;
        }
    }

    public static Say of(SayKind saying) {
        return new Say(saying, null, null, null);
    }

    /** How much pressure is right. */
    public static Say question(Style style) {
        return new Say(SayKind.PRESSURE_QUESTION, style, null, null);
    }

    public static Say interview(int number) {
        return new Say(SayKind.INTERVIEW, null, number, null);
    }

    /** An open question, a choice, or a question of an interview; of pressure any that is not closed. */
    public boolean asks() {
        return switch (saying) {
            case PRESSURE_QUESTION -> style != Style.CLOSED;
            case CHOICE, INTERVIEW -> true;
            default -> false;
        };
    }

    @Override
    public void within(Bounds bounds) {
        bounds.whole("number", number, 1, 4);
        bounds.text("text", text);
    }

    @Override
    public boolean judges() {
        return true;
    }
}
