package palmtally.core.calendar;

import java.util.ArrayList;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;

/**
 * When and where a lab of the week is held, by the clock on the wall of the school.
 *
 * @param day of the week, 1 Monday to 7 Sunday (ISO 8601)
 * @param begins hours and minutes, 00:00 to 23:59
 * @param room at most 40 characters, empty where there is only one
 */
public record LabTime(int day, String begins, String room) {
    public LabTime {
        var faults = new ArrayList<Fault>();
        if (day < 1 || day > 7) faults.add(new Fault("day", String.valueOf(day), "must be 1 (Monday) to 7 (Sunday)"));
        if (!begins.matches("([01]\\d|2[0-3]):[0-5]\\d"))
            faults.add(new Fault("begins", begins, "must be hours and minutes, 00:00 to 23:59"));
        if (room.length() > 40)
            faults.add(new Fault("room", room.length() + " characters", "must be at most 40 characters"));
        if (!faults.isEmpty()) throw new InvalidValue("lab time", faults);
    }

    /** Minutes after midnight. */
    public int minutes() {
        return 60 * Integer.parseInt(begins.substring(0, 2)) + Integer.parseInt(begins.substring(3));
    }
}
