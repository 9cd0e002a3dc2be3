package palmtally.core.calendar;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.Sums;
import palmtally.core.body.Region;

/**
 * A term as it is planned. Immutable: an edit returns another.
 *
 * @param weeks length of the term, 1–60
 * @param labsAWeek 1–7
 * @param labMinutes hours of one lab, in minutes, above 0 and at most 480
 * @param targetHours what the school asks of the whole term, 0 for nothing asked
 * @param regionHours what the school asks of single regions, in hours
 * @param kindHours what it asks of each kind of hours
 * @param off weeks without labs
 * @param lessons in the order of their labs; within a lab in the order given
 * @param times when and where the labs of a week are held, the first first, or empty where nobody has said
 */
public record Curriculum(
        String id,
        String name,
        int weeks,
        int labsAWeek,
        double labMinutes,
        double targetHours,
        Map<Region, Double> regionHours,
        Map<HourKind, Double> kindHours,
        Set<Integer> off,
        List<Lesson> lessons,
        List<LabTime> times) {
    /** More lessons than this are taken for a mistake. */
    public static final int MOST_LESSONS = 1000;

    /** @throws InvalidValue naming every fault: a lesson outside the term, an id used twice, hours that cannot be */
    public Curriculum {
        var hours = new EnumMap<Region, Double>(Region.class);
        hours.putAll(regionHours);
        regionHours = Collections.unmodifiableMap(hours);
        var kinds = new EnumMap<HourKind, Double>(HourKind.class);
        kinds.putAll(kindHours);
        kindHours = Collections.unmodifiableMap(kinds);
        off = Collections.unmodifiableSet(new TreeSet<>(off));
        var sorted = new ArrayList<>(lessons);
        sorted.sort(Comparator.comparingInt(Lesson::week).thenComparingInt(Lesson::lab));
        var faults = new ArrayList<Fault>();
        if (id.isBlank() || id.length() > 64) faults.add(new Fault("id", id, "must be 1 to 64 characters"));
        if (name.isBlank() || name.length() > 200) faults.add(new Fault("name", name, "must be 1 to 200 characters"));
        if (weeks < 1 || weeks > 60) faults.add(new Fault("weeks", String.valueOf(weeks), "must be 1 to 60"));
        if (labsAWeek < 1 || labsAWeek > 7)
            faults.add(new Fault("labsAWeek", String.valueOf(labsAWeek), "must be 1 to 7"));
        if (!(labMinutes > 0 && labMinutes <= 480))
            faults.add(new Fault("labMinutes", String.valueOf(labMinutes), "must be above 0 and at most 480"));
        if (!(targetHours >= 0 && targetHours <= 10000))
            faults.add(new Fault("targetHours", String.valueOf(targetHours), "must be 0 to 10000"));
        for (var h : regionHours.entrySet())
            if (!(h.getValue() >= 0 && h.getValue() <= 10000))
                faults.add(new Fault("regionHours/" + h.getKey(), String.valueOf(h.getValue()), "must be 0 to 10000"));
        for (var h : kindHours.entrySet())
            if (!(h.getValue() >= 0 && h.getValue() <= 10000))
                faults.add(new Fault("kindHours/" + h.getKey(), String.valueOf(h.getValue()), "must be 0 to 10000"));
        for (int w : off)
            if (w < 1 || w > weeks)
                faults.add(new Fault("off", String.valueOf(w), "must be a week of the term, 1 to " + weeks));
        if (lessons.size() > MOST_LESSONS)
            faults.add(new Fault("lessons", lessons.size() + " lessons", "must be at most " + MOST_LESSONS));
        if (!times.isEmpty() && times.size() != labsAWeek)
            faults.add(new Fault(
                    "times", times.size() + " times", "must be one for each of the " + labsAWeek + " labs, or none"));
        var ids = new HashSet<String>();
        for (int i = 0; i < lessons.size(); i++) {
            var l = lessons.get(i);
            if (!ids.add(l.id())) faults.add(new Fault("lessons/" + i + "/id", l.id(), "is used twice"));
            if (l.week() < 1 || l.week() > weeks)
                faults.add(new Fault("lessons/" + i + "/week", String.valueOf(l.week()), "must be 1 to " + weeks));
            if (l.lab() < 1 || l.lab() > labsAWeek)
                faults.add(new Fault("lessons/" + i + "/lab", String.valueOf(l.lab()), "must be 1 to " + labsAWeek));
        }
        if (!faults.isEmpty()) throw new InvalidValue("curriculum", faults);
        lessons = List.copyOf(sorted);
        times = List.copyOf(times);
    }

    /** A term whose labs have no times yet, and that asks for no kind of hours. */
    public Curriculum(
            String id,
            String name,
            int weeks,
            int labsAWeek,
            double labMinutes,
            double targetHours,
            Map<Region, Double> regionHours,
            Set<Integer> off,
            List<Lesson> lessons) {
        this(id, name, weeks, labsAWeek, labMinutes, targetHours, regionHours, Map.of(), off, lessons, List.of());
    }

    /** An empty term of two labs of two hours a week. */
    public static Curriculum empty(String id, String name, int weeks) {
        return new Curriculum(id, name, weeks, 2, 120, 0, Map.of(), Set.of(), List.of());
    }

    /** The same with its labs at other times. */
    public Curriculum withTimes(List<LabTime> changed) {
        return new Curriculum(
                id, name, weeks, labsAWeek, labMinutes, targetHours, regionHours, kindHours, off, lessons, changed);
    }

    public Curriculum withLessons(Collection<Lesson> changed) {
        return new Curriculum(
                id,
                name,
                weeks,
                labsAWeek,
                labMinutes,
                targetHours,
                regionHours,
                kindHours,
                off,
                List.copyOf(changed),
                times);
    }

    Curriculum with(Lesson changed) {
        var all = new ArrayList<>(lessons);
        all.replaceAll(l -> l.id().equals(changed.id()) ? changed : l);
        return withLessons(all);
    }

    Curriculum adding(Lesson added) {
        var all = new ArrayList<>(lessons);
        all.add(added);
        return withLessons(all);
    }

    /** An id that no lesson has yet. */
    public String freshId() {
        var ids = new HashSet<String>();
        lessons.forEach(l -> ids.add(l.id()));
        int n = lessons.size() + 1;
        while (ids.contains("l" + n)) n++;
        return "l" + n;
    }

    public Optional<Lesson> lesson(String lessonId) {
        return lessons.stream().filter(l -> l.id().equals(lessonId)).findFirst();
    }

    /** Minutes of its lab that are gone when a lesson begins by plan. */
    public double minutesBefore(Lesson lesson) {
        return Sums.of(lessons.stream()
                .filter(l -> l.week() == lesson.week() && l.lab() == lesson.lab())
                .takeWhile(l -> !l.id().equals(lesson.id()))
                .mapToDouble(Lesson::minutes));
    }

    /**
     * When a lab begins by the clock of the school, where its time is known.
     *
     * @param startsOn first day of week 1
     */
    public Optional<LocalDateTime> begins(LocalDate startsOn, int week, int lab) {
        if (times.isEmpty()) return Optional.empty();
        var time = times.get(lab - 1);
        return Optional.of(startsOn.plusWeeks(week - 1)
                .with(TemporalAdjusters.nextOrSame(DayOfWeek.of(time.day())))
                .atStartOfDay()
                .plusMinutes(time.minutes()));
    }

    /** The next week with labs after one, or 0 where the term is over. */
    public int weekAfter(int week) {
        for (int w = Math.max(1, week + 1); w <= weeks; w++) if (!off.contains(w)) return w;
        return 0;
    }

    /**
     * The plan with what a lesson left for another day: a lesson of these steps, first thing in the same lab of the next week that has
     * one.
     *
     * @param lessonId the id of the lesson it becomes; one that has it already is replaced
     * @param steps in planned order; none takes the lesson out again
     * @return the plan as it is where no week is left for it
     */
    public Curriculum leavingForAnotherDay(Lesson of, String lessonId, List<String> steps, double minutes) {
        var all = new ArrayList<>(lessons);
        all.removeIf(l -> l.id().equals(lessonId));
        int next = weekAfter(of.week());
        if (steps.isEmpty() || next == 0) return withLessons(all);
        var left = new Lesson(
                lessonId,
                next,
                of.lab(),
                of.region(),
                of.aim(),
                minutes,
                of.sequence(),
                "Left for another day in week " + of.week() + ", lab " + of.lab() + ".",
                steps);
        int place = 0;
        while (place < all.size()
                && (all.get(place).week() < next
                        || all.get(place).week() == next && all.get(place).lab() < of.lab())) place++;
        all.add(place, left);
        return withLessons(all);
    }

    /** Minutes planned in a lab. */
    public double minutes(int week, int lab) {
        return Sums.of(
                lessons.stream().filter(l -> l.week() == week && l.lab() == lab).mapToDouble(Lesson::minutes));
    }

    /** Lessons of a week, in order. */
    public List<Lesson> week(int week) {
        return lessons.stream().filter(l -> l.week() == week).toList();
    }

    /** Regions that have a lesson, in the order in which they first come. */
    public List<Region> regions() {
        return lessons.stream().map(Lesson::region).distinct().toList();
    }

    /** Hours there are: labs of the weeks that are not off. */
    public double roomHours() {
        return (weeks - off.size()) * labsAWeek * labMinutes / 60;
    }

    /** Minutes of the labs that no lesson takes. */
    double openMinutes() {
        double open = 0;
        for (int week = 1; week <= weeks; week++)
            for (int lab = 1; lab <= labsAWeek; lab++)
                if (!off.contains(week)) open += Math.max(0, labMinutes - minutes(week, lab));
        return open;
    }

    public double plannedHours() {
        return Sums.of(lessons.stream().mapToDouble(Lesson::minutes)) / 60;
    }
}
