package palmtally.core.timetable;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;

/**
 * A day of practicals as it is asked for.
 *
 * @param hours from when to when
 * @param minutes how long a practical usually takes: the day goes by this and the change-over
 * @param changeOver minutes to change a table between two practicals
 * @param breaks when nothing is held
 * @param tables how many there are, 1 to 40
 * @param tablesAGrader how many practicals one grader watches at once, 1 to 8
 */
public record PracticalDay(
        Span hours,
        int minutes,
        int changeOver,
        List<Span> breaks,
        int tables,
        int tablesAGrader,
        List<DayGrader> graders,
        List<DayStudent> students,
        List<Sitting> sittings) {
    /** More practicals on one day are taken for a mistake. */
    public static final int MOST_SITTINGS = 300;

    /** @throws InvalidValue naming every fault */
    public PracticalDay {
        breaks = List.copyOf(breaks);
        graders = List.copyOf(graders);
        students = List.copyOf(students);
        sittings = List.copyOf(sittings);
        var faults = new ArrayList<Fault>();
        if (minutes < 5 || minutes > 240) faults.add(new Fault("minutes", String.valueOf(minutes), "must be 5 to 240"));
        if (changeOver < 0 || changeOver > 60)
            faults.add(new Fault("changeOver", String.valueOf(changeOver), "must be 0 to 60"));
        if (tables < 1 || tables > 40) faults.add(new Fault("tables", String.valueOf(tables), "must be 1 to 40"));
        if (tablesAGrader < 1 || tablesAGrader > 8)
            faults.add(new Fault("tablesAGrader", String.valueOf(tablesAGrader), "must be 1 to 8"));
        if (sittings.size() > MOST_SITTINGS)
            faults.add(new Fault("sittings", sittings.size() + " practicals", "must be at most " + MOST_SITTINGS));
        var known = new HashSet<String>();
        for (var s : students) known.add(s.id());
        var ids = new HashSet<String>();
        for (int i = 0; i < sittings.size(); i++) {
            var s = sittings.get(i);
            if (!ids.add(s.id())) faults.add(new Fault("sittings/" + i + "/id", s.id(), "is used twice"));
            if (!known.contains(s.student()))
                faults.add(new Fault("sittings/" + i + "/student", s.student(), "is no student of this day"));
        }
        if (!faults.isEmpty()) throw new InvalidValue("day of practicals", faults);
    }

    /** When practicals may begin: one after another with the change-over between, around the breaks. */
    public List<Integer> starts() {
        var starts = new ArrayList<Integer>();
        int at = hours.from();
        while (at + minutes <= hours.until()) {
            var span = new Span(at, at + minutes);
            var broken = breaks.stream().filter(span::meets).findFirst();
            if (broken.isPresent()) {
                at = broken.get().until();
                continue;
            }
            starts.add(at);
            at += minutes + changeOver;
        }
        return List.copyOf(starts);
    }

    public Map<String, DayStudent> byStudent() {
        var by = new HashMap<String, DayStudent>();
        for (var s : students) by.put(s.id(), s);
        return by;
    }

    public Map<String, DayGrader> byGrader() {
        var by = new HashMap<String, DayGrader>();
        for (var g : graders) by.put(g.id(), g);
        return by;
    }

    /** Whether a practical that begins so lies in the hours of the day and in no break. */
    public boolean open(int begins, int length) {
        if (begins < hours.from() || begins + length > hours.until()) return false;
        var span = new Span(begins, begins + length);
        return breaks.stream().noneMatch(span::meets);
    }

    /**
     * Whether somebody may be client of a practical at all, whenever it is. To agree is theirs whose body it is: who shows it need not be
     * worked on there themselves, and that they would not is not to be seen from their having no client.
     */
    public static boolean mayBeClient(DayStudent client, DayStudent therapist, Sitting sitting) {
        return !client.id().equals(therapist.id())
                && !client.id().equals(therapist.last())
                && !client.not().contains(therapist.id())
                && !therapist.not().contains(client.id())
                && !client.spared().contains(sitting.region())
                && (!sitting.sensitive() || client.agreed().contains(sitting.region()));
    }

    /** Whether somebody may grade a practical at all. */
    public static boolean mayGrade(DayGrader grader, Sitting sitting) {
        return grader.regions().contains(sitting.region());
    }
}
