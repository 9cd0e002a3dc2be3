package palmtally.core.secondlook;

import java.time.LocalDate;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;

/**
 * For how many days a student may ask for a second look at a mark, the day it was shown not counted; 0 for a school that has none.
 */
public record SecondLookDays(int days) {
    /** Two weeks (common practice, no source). */
    public static final SecondLookDays FIRST = new SecondLookDays(14);

    private static final int MOST = 365;

    public SecondLookDays {
        if (days < 0 || days > MOST)
            throw new InvalidValue(
                    "second looks", new Fault("days", String.valueOf(days), "must be 0 to " + MOST + " days"));
    }

    /** The last day on which it may be asked for. */
    public LocalDate last(LocalDate shown) {
        return shown.plusDays(days);
    }

    /** Whether it may be asked for today. */
    public boolean open(LocalDate shown, LocalDate today) {
        return days > 0 && !today.isAfter(last(shown));
    }
}
