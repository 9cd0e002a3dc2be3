package palmtally.core.calendar;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Region;

/**
 * One part of a lab: a region, what is done with it, and for how long.
 *
 * @param id unique in its curriculum
 * @param week from 1
 * @param lab which lab of that week, from 1
 * @param minutes above 0, at most 480
 * @param sequence id of the sequence that is shown, practised or graded, or null while none is chosen
 * @param note for the lab plan, at most 500 characters
 */
public record Lesson(
        String id,
        int week,
        int lab,
        Region region,
        Aim aim,
        double minutes,
        @Nullable String sequence,
        String note) {
    public Lesson {
        var faults = new ArrayList<Fault>();
        if (id.isBlank() || id.length() > 64) faults.add(new Fault("id", id, "must be 1 to 64 characters"));
        if (!(minutes > 0 && minutes <= 480))
            faults.add(new Fault("minutes", String.valueOf(minutes), "must be above 0 and at most 480"));
        if (note.length() > 500)
            faults.add(new Fault("note", note.length() + " characters", "must be at most 500 characters"));
        if (sequence != null && (sequence.isBlank() || sequence.length() > 64))
            faults.add(new Fault("sequence", sequence, "must be 1 to 64 characters"));
        if (!faults.isEmpty()) throw new InvalidValue("lesson " + id, List.copyOf(faults));
    }

    Lesson at(int newWeek, int newLab) {
        return new Lesson(id, newWeek, newLab, region, aim, minutes, sequence, note);
    }

    Lesson lasting(double newMinutes) {
        return new Lesson(id, week, lab, region, aim, newMinutes, sequence, note);
    }

    Lesson showing(@Nullable String newSequence) {
        return new Lesson(id, week, lab, region, aim, minutes, newSequence, note);
    }
}
