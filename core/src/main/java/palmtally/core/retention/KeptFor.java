package palmtally.core.retention;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;

/**
 * How long a kind of record is kept, and when one of them goes. How long it has to be is for local law and the school to say: nothing goes
 * until a school has said.
 *
 * @param months so many, or null for ever
 */
public record KeptFor(@Nullable Integer months) {
    /** Days for which what will go is shown before it goes. */
    public static final int NOTICE_DAYS = 7;

    public static final KeptFor EVER = new KeptFor(null);

    private static final int MOST = 1200;

    public KeptFor {
        if (months != null && (months < 1 || months > MOST))
            throw new InvalidValue(
                    "retention",
                    new Fault("months", months.toString(), "must be 1 to " + MOST + " months, or none for ever"));
    }

    /**
     * The first day on which it is not kept any more, or null for never.
     *
     * @param since the day from which it counts
     */
    public @Nullable LocalDate over(LocalDate since) {
        return months == null ? null : since.plusMonths(months);
    }

    /**
     * Of what since a record must be for it to be shown today as one that will go: the latest such day, or null for none. No day that
     * comes after it is over within the notice.
     */
    public @Nullable LocalDate shownSince(LocalDate today) {
        return months == null ? null : today.plusDays(NOTICE_DAYS).minusMonths(months);
    }

    /**
     * The day on which a record goes: when its time is over, and never before it was shown for a week.
     *
     * @param since the day from which it counts
     * @param shown the day on which it was first shown as one that will go
     */
    public @Nullable LocalDate goes(LocalDate since, LocalDate shown) {
        var over = over(since);
        if (over == null) return null;
        var noticed = shown.plusDays(NOTICE_DAYS);
        return over.isAfter(noticed) ? over : noticed;
    }
}
