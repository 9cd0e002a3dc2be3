package palmtally.core.sequence.detail;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.Set;
import java.util.stream.Collectors;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.Texts;

/**
 * What a step compares, so that the same is looked at before, between the sides and after (common practice, no source).
 *
 * @param what at least one thing
 */
public record Comparison(Set<What> what, When when) {
    /** What is compared. */
    public enum What {
        NUMBER("the client's number"),
        RANGE("the range"),
        STANDING("how the client stands"),
        LOOK("how it looks"),
        TISSUE("warm, red or pale places"),
        TENSION("how tense it is"),
        SIDES("left with right");

        private final String word = Texts.word(this);

        private final String words;

        What(String words) {
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

    /** When it is looked at. */
    public enum When {
        BEFORE,
        BETWEEN,
        AFTER;

        private final String word = Texts.word(this);

        @Override
        public String toString() {
            return word;
        }
    }

    public Comparison {
        if (what.isEmpty()) throw new InvalidValue("comparison", new Fault("what", "[]", "needs one thing at least"));
        what = Collections.unmodifiableSet(EnumSet.copyOf(what));
    }

    /** As it stands in a cell of a table: {@code before: number, range}. */
    String written() {
        return when + ": " + what.stream().map(What::toString).collect(Collectors.joining(", "));
    }

    static Comparison read(String text) {
        var parts = text.split(":", 2);
        var what = new ArrayList<What>();
        if (parts.length == 2)
            for (var part : parts[1].split(",")) if (!part.isBlank()) what.add(Written.one(part, What.values()));
        return new Comparison(what.isEmpty() ? Set.of() : EnumSet.copyOf(what), Written.one(parts[0], When.values()));
    }

    public String words() {
        return what.stream().map(What::words).collect(Collectors.joining(", "))
                + (when == When.BETWEEN ? ", between the sides" : ", " + when);
    }
}
