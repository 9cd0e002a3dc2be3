package palmtally.core.register;

import java.time.LocalDate;
import java.util.ArrayList;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.calendar.HourKind;

/**
 * Time that was not marked in a lab: own practice, clinic, or what was made up.
 *
 * @param minutes above 0, at most 1440
 * @param madeUp the lab that was missed, or null where none is made up
 * @param note where and with whom, at most 200 characters
 */
public record EnteredHours(
        String id,
        HourKind kind,
        double minutes,
        LocalDate on,
        @Nullable LabPlace madeUp,
        String note) {
    public EnteredHours {
        var faults = new ArrayList<Fault>();
        if (!(minutes > 0 && minutes <= 1440))
            faults.add(new Fault("minutes", String.valueOf(minutes), "must be above 0 and at most 1440"));
        if (note.length() > 200)
            faults.add(new Fault("note", note.length() + " characters", "must be at most 200 characters"));
        if (madeUp != null && !kind.inLabs())
            faults.add(new Fault("kind", kind.toString(), "is not done in labs, so it makes up for none"));
        if (!faults.isEmpty()) throw new InvalidValue("hours", faults);
    }
}
