package palmtally.formats.ical;

import java.time.LocalDate;
import java.time.LocalDateTime;
import org.jspecify.annotations.Nullable;

/**
 * One thing in a calendar: at a time, or all of a day.
 *
 * @param uid the same for as long as it is the same thing, whenever it is
 * @param begins by the clock of the calendar's zone; for all of a day its midnight
 * @param ends not before it begins; for all of a day the midnight after it
 * @param allDay whether it has no time
 * @param cancelled whether it is not held
 */
public record CalendarEntry(
        String uid,
        String title,
        LocalDateTime begins,
        LocalDateTime ends,
        boolean allDay,
        String place,
        String text,
        boolean cancelled) {
    /** Something at a time, for so many minutes. */
    public static CalendarEntry at(
            String uid, String title, LocalDateTime begins, double minutes, String place, String text) {
        return new CalendarEntry(
                uid, title, begins, begins.plusSeconds(Math.round(60 * minutes)), false, place, text, false);
    }

    /** Something of a day, without a time. */
    public static CalendarEntry on(String uid, String title, LocalDate day, String text) {
        return new CalendarEntry(uid, title, day.atStartOfDay(), day.plusDays(1).atStartOfDay(), true, "", text, false);
    }

    /** The day it is on, or null where it goes over several. */
    public @Nullable LocalDate day() {
        var last = allDay ? ends.minusDays(1) : ends;
        return last.toLocalDate().equals(begins.toLocalDate()) ? begins.toLocalDate() : null;
    }
}
