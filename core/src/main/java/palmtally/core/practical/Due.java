package palmtally.core.practical;

import org.jspecify.annotations.Nullable;
import palmtally.core.Texts;

/**
 * Something that a table waits for.
 *
 * @param from the moment from which it does, ms
 * @param lateFrom the moment from which it is late, ms; null where it never is
 * @param until the moment at which it is over by itself, ms; null where a tap ends it
 * @param since the moment from which it has lasted so long as stands behind its text, ms; null where nothing does
 */
public record Due(
        Kind kind,
        String text,
        long from,
        @Nullable Long lateFrom,
        @Nullable Long until,
        @Nullable Long since) {
    /** What it waits for, the most pressing first. */
    public enum Kind {
        STOP,
        SAID,
        BREAK,
        ANSWER,
        CONSENT,
        SHEET,
        OVER,
        BEGIN,
        LOOK,
        SILENCE,
        SIDE;

        private final String word = Texts.word(this);

        @Override
        public String toString() {
            return word;
        }
    }

    /** One that is late as soon as it is there. */
    static Due late(Kind kind, String text, long from) {
        return new Due(kind, text, from, from, null, null);
    }

    /** One that can wait. */
    static Due soon(Kind kind, String text, long from) {
        return new Due(kind, text, from, null, null, null);
    }

    Due lateFrom(long moment) {
        return new Due(kind, text, from, moment, until, since);
    }

    Due until(long moment) {
        return new Due(kind, text, from, lateFrom, moment, since);
    }

    Due since(long moment) {
        return new Due(kind, text, from, lateFrom, until, moment);
    }
}
