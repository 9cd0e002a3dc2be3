package palmtally.core.calendar;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Region;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Step;

/**
 * One part of a lab: a region, what is done with it, and for how long.
 *
 * @param id unique in its curriculum
 * @param week from 1
 * @param lab which lab of that week, from 1
 * @param minutes above 0, at most 480
 * @param sequence id of the sequence that is shown, practised or graded, or null while none is chosen
 * @param note for the lab plan, at most 500 characters
 * @param steps ids of the steps that are meant where it is not the whole sequence, else empty
 */
public record Lesson(
        String id,
        int week,
        int lab,
        Region region,
        Aim aim,
        double minutes,
        @Nullable String sequence,
        String note,
        List<String> steps) {
    /** More steps than a sequence can have are taken for a mistake. */
    private static final int MOST_STEPS = 500;

    public Lesson {
        steps = List.copyOf(steps);
        var faults = new ArrayList<Fault>();
        if (id.isBlank() || id.length() > 64) faults.add(new Fault("id", id, "must be 1 to 64 characters"));
        if (!(minutes > 0 && minutes <= 480))
            faults.add(new Fault("minutes", String.valueOf(minutes), "must be above 0 and at most 480"));
        if (note.length() > 500)
            faults.add(new Fault("note", note.length() + " characters", "must be at most 500 characters"));
        if (sequence != null && (sequence.isBlank() || sequence.length() > 64))
            faults.add(new Fault("sequence", sequence, "must be 1 to 64 characters"));
        if (steps.size() > MOST_STEPS)
            faults.add(new Fault("steps", steps.size() + " steps", "must be at most " + MOST_STEPS));
        if (!steps.isEmpty() && sequence == null)
            faults.add(new Fault("steps", String.join(", ", steps), "needs the sequence they are steps of"));
        if (!faults.isEmpty()) throw new InvalidValue("lesson " + id, List.copyOf(faults));
    }

    /** A lesson of the whole sequence. */
    public Lesson(
            String id,
            int week,
            int lab,
            Region region,
            Aim aim,
            double minutes,
            @Nullable String sequence,
            String note) {
        this(id, week, lab, region, aim, minutes, sequence, note, List.of());
    }

    /** Whether a step of its sequence is meant. */
    public boolean means(String step) {
        return steps.isEmpty() || steps.contains(step);
    }

    /** What of its sequence is meant; the whole where none of the steps it names is in it any more. */
    public Sequence part(Sequence whole) {
        var others =
                whole.steps().stream().map(Step::id).filter(id -> !means(id)).collect(Collectors.toSet());
        return others.isEmpty() || others.size() == whole.steps().size() ? whole : whole.without(others);
    }

    Lesson at(int newWeek, int newLab) {
        return new Lesson(id, newWeek, newLab, region, aim, minutes, sequence, note, steps);
    }

    Lesson called(String newId) {
        return new Lesson(newId, week, lab, region, aim, minutes, sequence, note, steps);
    }

    Lesson lasting(double newMinutes) {
        return new Lesson(id, week, lab, region, aim, newMinutes, sequence, note, steps);
    }

    Lesson showing(@Nullable String newSequence) {
        return new Lesson(id, week, lab, region, aim, minutes, newSequence, note);
    }
}
