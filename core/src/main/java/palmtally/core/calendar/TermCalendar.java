package palmtally.core.calendar;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** The labs of a term as a calendar has them, and what a calendar that was changed elsewhere would change of the plan. */
public final class TermCalendar {
    private static final List<String> DAYS =
            List.of("Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday");

    private TermCalendar() {}

    /**
     * One lab that has a time.
     *
     * @param minutes how long it is, more than 0
     * @param lessons what is done in it, in order
     */
    public record CalendarLab(
            int week, int lab, LocalDateTime begins, double minutes, String room, List<Lesson> lessons) {}

    /** A lab as it stands in another calendar. */
    public record ReadLab(int week, int lab, LocalDateTime begins, String room, boolean cancelled) {}

    /** @param taken whether the plan can be so */
    public record TermChange(String sentence, boolean taken) {}

    /**
     * What another calendar comes to.
     *
     * @param plan with all that is taken
     */
    public record Reread(List<TermChange> changes, Curriculum plan) {}

    /** The labs of a term, in order; none while nobody has said when they are. */
    public static List<CalendarLab> labs(Curriculum plan, LocalDate startsOn) {
        var labs = new ArrayList<CalendarLab>();
        for (int week = 1; week <= plan.weeks(); week++) {
            if (plan.off().contains(week)) continue;
            for (int lab = 1; lab <= plan.labsAWeek(); lab++) {
                int w = week;
                int l = lab;
                plan.begins(startsOn, week, lab)
                        .ifPresent(begins -> labs.add(new CalendarLab(
                                w,
                                l,
                                begins,
                                plan.labMinutes(),
                                plan.times().get(l - 1).room(),
                                plan.week(w).stream().filter(x -> x.lab() == l).toList())));
            }
        }
        return List.copyOf(labs);
    }

    /**
     * What would change. The labs of a term are on the same day of each week at the same time: a lab that moved in every week that is
     * read moves in the plan; one that moved in some of them, or out of its week, is told and stays.
     */
    public static Reread reread(Curriculum plan, LocalDate startsOn, List<ReadLab> read) {
        var changes = new ArrayList<TermChange>();
        var times = new ArrayList<>(plan.times());
        Map<Integer, Map<Integer, ReadLab>> byLab = new TreeMap<>();
        for (var r : read)
            if (r.lab >= 1 && r.lab <= plan.times().size() && r.week >= 1 && r.week <= plan.weeks())
                byLab.computeIfAbsent(r.lab, k -> new TreeMap<>()).put(r.week, r);
        byLab.forEach((lab, weeks) -> {
            var was = plan.times().get(lab - 1);
            Map<LabTime, List<Integer>> now = new LinkedHashMap<>();
            weeks.forEach((week, r) -> {
                var name = "Week " + week + ", lab " + lab;
                var first = startsOn.plusWeeks(week - 1);
                var day = r.begins.toLocalDate();
                if (r.cancelled)
                    changes.add(new TermChange(
                            name + " is cancelled there; here it stays. A week without labs is set in the plan.",
                            false));
                else if (day.isBefore(first) || !day.isBefore(first.plusWeeks(1)))
                    changes.add(new TermChange(
                            name + " was moved to " + day + ", out of its week; here it stays on " + words(was) + ".",
                            false));
                else now.computeIfAbsent(time(r), k -> new ArrayList<>()).add(week);
            });
            if (now.size() == 1 && !now.containsKey(was)) {
                var to = now.keySet().iterator().next();
                times.set(lab - 1, to);
                changes.add(
                        new TermChange("Lab " + lab + " is on " + words(to) + ", not on " + words(was) + ".", true));
            } else
                now.forEach((to, in) -> {
                    if (to.equals(was)) return;
                    for (int week : in)
                        changes.add(new TermChange(
                                "Week " + week + ", lab " + lab + " is on " + words(to)
                                        + " there. Labs are at the same time each week, so here it stays on "
                                        + words(was) + ".",
                                false));
                });
        });
        return new Reread(List.copyOf(changes), plan.times().equals(times) ? plan : plan.withTimes(times));
    }

    private static LabTime time(ReadLab r) {
        var room = r.room.strip();
        return new LabTime(
                r.begins.getDayOfWeek().getValue(),
                two(r.begins.getHour()) + ":" + two(r.begins.getMinute()),
                room.length() > 40 ? room.substring(0, 40) : room);
    }

    private static String two(int number) {
        return (number < 10 ? "0" : "") + number;
    }

    private static String words(LabTime time) {
        return DAYS.get(time.day() - 1) + " at " + time.begins() + (time.room().isBlank() ? "" : ", " + time.room());
    }
}
