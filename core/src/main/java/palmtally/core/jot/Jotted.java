package palmtally.core.jot;

import java.util.List;
import org.jspecify.annotations.Nullable;
import palmtally.core.sequence.Step;

/**
 * What was made of a line in a teacher's words.
 *
 * @param step what was understood; null only where the zone or the stroke is truly unknown, or where the line belongs to the step before it
 * @param note what was not, in the words of the line; empty where all was
 * @param asked what must be picked before there is a step: one question, or null
 * @param onto the step that stood there before, with what the line says of it, or null
 */
public record Jotted(
        String line,
        @Nullable Step step,
        List<String> note,
        @Nullable Asked asked,
        @Nullable Step onto) {
    public Jotted {
        note = List.copyOf(note);
    }

    /** What is truly unknown. */
    public enum What {
        STROKE("Which stroke?"),
        ZONE("Where?");

        private final String question;

        What(String question) {
            this.question = question;
        }

        public String question() {
            return question;
        }

        @Override
        public String toString() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }
    }

    /** @param nearest known words that are likest to those that were not understood, the likest first */
    public record Asked(What what, List<String> nearest) {}
}
