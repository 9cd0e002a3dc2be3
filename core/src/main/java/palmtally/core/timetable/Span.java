package palmtally.core.timetable;

import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;

/**
 * A time of a day, by the clock of the school.
 *
 * @param from minutes after midnight
 * @param until minutes after midnight, more than from, at most 1440
 */
public record Span(int from, int until) {
    public Span {
        if (from < 0 || until <= from || until > 1440)
            throw new InvalidValue(
                    "span", new Fault("until", from + " to " + until, "must be later than it begins, within one day"));
    }

    /** Whether the two have a minute in common. */
    public boolean meets(Span other) {
        return from < other.until && other.from < until;
    }

    public int minutes() {
        return until - from;
    }

    private static String two(int number) {
        return (number < 10 ? "0" : "") + number;
    }

    /** Hours and minutes of a minute of the day. */
    public static String clock(int minute) {
        return two(minute / 60) + ":" + two(minute % 60);
    }

    @Override
    public String toString() {
        return clock(from) + "–" + clock(until);
    }
}
