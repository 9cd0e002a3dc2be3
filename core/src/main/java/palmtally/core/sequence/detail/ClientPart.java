package palmtally.core.sequence.detail;

import java.util.Locale;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.Texts;

/**
 * One part of the pattern in which the client takes part (common practice, no source).
 *
 * @param times how often, 1–50, or null where it is not said
 * @param seconds how long each time, above 0 and at most 600, or null
 * @param percent of full strength, 1–100, or null
 */
public record ClientPart(
        Does does,
        @Nullable Integer times,
        @Nullable Double seconds,
        @Nullable Integer percent) {
    /** What the client does. */
    public enum Does {
        BREATHES_IN,
        BREATHES_OUT,
        BREATHES_SLOWLY,
        CLENCHES,
        OPENS,
        MOVES,
        SHRUGS,
        LIFTS_THE_HEAD,
        PUSHES,
        HOLDS,
        LETS_GO,
        MOVES_TISSUE_ASIDE,
        CHOOSES,
        SAYS_WHEN;

        private final String word = Texts.word(this);

        /** Whether a muscle of the client's works. */
        public boolean active() {
            return switch (this) {
                case CLENCHES, OPENS, MOVES, SHRUGS, LIFTS_THE_HEAD -> true;
                default -> false;
            };
        }

        public boolean breath() {
            return this == BREATHES_IN || this == BREATHES_OUT || this == BREATHES_SLOWLY;
        }

        @Override
        public String toString() {
            return word;
        }
    }

    private static final Pattern WRITTEN =
            Pattern.compile("([a-z-]+)(?: x(\\d{1,4}))?(?: (\\d{1,4}(?:\\.\\d+)?) ?s)?(?: (\\d{1,4}) ?%)?");

    public ClientPart {
        if (times != null && (times < 1 || times > 50))
            throw new InvalidValue("client's part", new Fault("times", times.toString(), "must be 1 to 50"));
        if (seconds != null && !(seconds > 0 && seconds <= 600))
            throw new InvalidValue(
                    "client's part", new Fault("seconds", seconds.toString(), "must be above 0 and at most 600"));
        if (percent != null && (percent < 1 || percent > 100))
            throw new InvalidValue("client's part", new Fault("percent", percent.toString(), "must be 1 to 100"));
    }

    public static ClientPart of(Does does) {
        return new ClientPart(does, null, null, null);
    }

    /** As it stands in a cell of a table: {@code clenches x3 5s 20%}. */
    public String written() {
        return does
                + (times == null ? "" : " x" + times)
                + (seconds == null ? "" : " " + Written.number(seconds) + "s")
                + (percent == null ? "" : " " + percent + "%");
    }

    /** @throws InvalidValue where it is not written so */
    public static ClientPart read(String text) {
        var m = WRITTEN.matcher(text.trim().toLowerCase(Locale.ROOT));
        if (!m.matches())
            throw new InvalidValue("client's part", new Fault("", text, "must be written as in 'clenches x3 5s 20%'"));
        return new ClientPart(
                Written.one(m.group(1), Does.values()),
                m.group(2) == null ? null : Integer.valueOf(m.group(2)),
                m.group(3) == null ? null : Double.valueOf(m.group(3)),
                m.group(4) == null ? null : Integer.valueOf(m.group(4)));
    }

    /** As people read it: {@code clenches three times, 5 s each, at 20 %}. */
    public String words() {
        var words = new StringBuilder(Written.plain(does));
        if (times != null) words.append(" × ").append(times);
        if (seconds != null)
            words.append(times == null ? " for " : ", ")
                    .append(Written.number(seconds))
                    .append(" s");
        if (percent != null) words.append(" at ").append(percent).append(" %");
        return words.toString();
    }
}
