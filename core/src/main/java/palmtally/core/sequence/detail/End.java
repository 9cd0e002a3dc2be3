package palmtally.core.sequence.detail;

import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.Texts;
import palmtally.core.technique.Dose;

/**
 * What ends a step before its dose does (common practice, no source).
 *
 * @param capSeconds when it ends all the same, above 0 and at most 3600; null where the dose is the cap
 */
public record End(When when, @Nullable Double capSeconds) {
    /** What is waited for. */
    public enum When {
        SOFTENS("the tissue softens"),
        NUMBER_FALLS("the number falls"),
        NO_SENSATION("no sensation is left"),
        NUMB("it is numb"),
        RANGE_CHANGES("the range changes"),
        CLIENT_SAYS("the client says so"),
        WARM("it is warm");

        private final String word = Texts.word(this);

        private final String words;

        When(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        @Override
        public String toString() {
            return word;
        }
    }

    public End {
        if (capSeconds != null && !(capSeconds > 0 && capSeconds <= Dose.MOST_SECONDS))
            throw new InvalidValue(
                    "end", new Fault("capSeconds", capSeconds.toString(), "must be above 0 and at most 3600"));
    }

    /** As it stands in a cell of a table: {@code softens 90s}. */
    String written() {
        return when + (capSeconds == null ? "" : " " + Written.number(capSeconds) + "s");
    }

    static End read(String text) {
        var parts = text.trim().split("\\s+", 2);
        return new End(Written.one(parts[0], When.values()), parts.length == 1 ? null : Written.seconds(parts[1]));
    }

    public String words() {
        return "until " + when.words() + (capSeconds == null ? "" : ", at most " + Written.number(capSeconds) + " s");
    }
}
