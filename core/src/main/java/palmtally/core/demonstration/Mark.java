package palmtally.core.demonstration;

import java.util.List;
import org.jspecify.annotations.Nullable;
import palmtally.core.Texts;

/**
 * One entry of the log of a demonstration.
 *
 * @param index which stint, as in {@link Showing#timeline()}; of {@code FINISHED}, {@code PAUSED}, {@code RESUMED} and {@code REFITTED}
 *     the one that was on, 0 where none was
 * @param atSeconds since the demonstration was opened, not before the entry in front of it
 * @param reason why it was skipped, in the presenter's words, or null
 * @param seconds of {@code REFITTED}: what each stint of the plan is shown for from now on, 0 for dropped; else null
 */
public record Mark(
        What what,
        int index,
        double atSeconds,
        @Nullable String reason,
        @Nullable List<Double> seconds) {
    /** What the presenter did. */
    public enum What {
        /** A stint begins; the one that was on ends. Forward, backward and jump alike. */
        STARTED,
        /** The stint that is on stands still; the clock on the wall does not. */
        PAUSED,
        RESUMED,
        /** Put off to the end: it is still to come. */
        PARKED,
        /** Left out, with or without a reason. */
        SKIPPED,
        /** The offer to shorten what is left was taken. */
        REFITTED,
        FINISHED;

        private final String word = Texts.word(this);

        @Override
        public String toString() {
            return word;
        }
    }

    public Mark {
        if (seconds != null) seconds = List.copyOf(seconds);
    }

    public Mark(What what, int index, double atSeconds) {
        this(what, index, atSeconds, null, null);
    }
}
