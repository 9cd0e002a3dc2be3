package palmtally.bench;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Region;
import palmtally.core.calendar.Aim;
import palmtally.core.calendar.Curriculum;
import palmtally.core.calendar.HourKind;
import palmtally.core.calendar.Lesson;
import palmtally.core.pairing.Pair;
import palmtally.core.pairing.Rotation;
import palmtally.core.pairing.Seating;
import palmtally.core.pairing.SeatingWish;
import palmtally.core.profile.Profile;
import palmtally.core.register.HeldLab;
import palmtally.core.register.LabPlace;
import palmtally.core.register.Presence;
import palmtally.core.register.Register;
import palmtally.core.register.TermLabs;
import palmtally.core.timetable.DayGrader;
import palmtally.core.timetable.DayStudent;
import palmtally.core.timetable.PracticalDay;
import palmtally.core.timetable.Sitting;
import palmtally.core.timetable.Span;
import palmtally.core.timetable.Timetable;
import palmtally.solver.TimetableSolver;

/**
 * How long who is where takes: partners of a term, seats of a day, a day of practicals, and a grader who falls ill; beside it, in the
 * same run, partners drawn by lot round after round, as a list on the wall does it.
 */
public final class DayBench {
    private DayBench() {}

    public static void main(String[] args) {
        partners();
        hours();
        practicals();
    }

    private static void say(String what, double value, String unit) {
        System.out.printf(Locale.ROOT, "%-70s %10.1f %s%n", what, value, unit);
    }

    /** The median of five, in milliseconds. */
    private static <T> double median(Supplier<T> work) {
        var times = new ArrayList<Double>();
        for (int i = 0; i < 5; i++) {
            long began = System.nanoTime();
            work.get();
            times.add((System.nanoTime() - began) / 1e6);
        }
        Collections.sort(times);
        return times.get(2);
    }

    private static List<String> people(int n) {
        var people = new ArrayList<String>();
        for (int i = 0; i < n; i++) people.add("p" + (100 + i));
        return people;
    }

    private static int repeats(List<Seating> seatings) {
        var tables = seatings.stream().flatMap(s -> s.tables().stream()).toList();
        return Seating.met(tables).values().stream().mapToInt(t -> t - 1).sum();
    }

    private static void partners() {
        var people = people(24);
        var random = new Random(5);
        var apart = new HashSet<Pair>();
        while (apart.size() < 6) {
            var a = people.get(random.nextInt(24));
            var b = people.get(random.nextInt(24));
            if (!a.equals(b)) apart.add(new Pair(a, b));
        }
        var wishes = new ArrayList<SeatingWish>();
        for (int r = 0; r < 24; r++) {
            var there = new ArrayList<>(people);
            if (r % 3 == 0) there.remove(random.nextInt(there.size()));
            wishes.add(new SeatingWish(there, 12, 2, r % 5 == 0 ? Set.of(there.get(0)) : Set.of(), List.of()));
        }
        var planned = Rotation.of(wishes, apart, List.of());
        say(
                "24 students, 12 weeks of two labs, six pairs kept apart",
                median(() -> Rotation.of(wishes, apart, List.of())),
                "ms");
        say(
                "  tables that break what is asked",
                planned.stream().mapToInt(Seating::unmet).sum(),
                "");
        say("  partners met again", repeats(planned), "");
        say("  the same, drawn by lot round after round", repeats(lot(wishes, random)), "");
        var last = planned.get(1);
        var present = new ArrayList<>(wishes.get(1).people());
        present.removeAll(
                List.of(last.tables().get(0).get(0), last.tables().get(4).get(1)));
        var before = planned.stream().flatMap(s -> s.tables().stream()).toList();
        say(
                "two are away: the lab seated anew",
                median(() ->
                        Rotation.of(List.of(new SeatingWish(present, 12, 2, Set.of(), last.tables())), apart, before)),
                "ms");
    }

    private static List<Seating> lot(List<SeatingWish> wishes, Random random) {
        var seatings = new ArrayList<Seating>();
        for (var wish : wishes) {
            var order = new ArrayList<>(wish.people());
            Collections.shuffle(order, random);
            var tables = new ArrayList<List<String>>();
            for (int i = 0; i + 1 < order.size(); i += 2)
                tables.add(order.subList(i, i + 3 == order.size() ? i + 3 : i + 2));
            seatings.add(new Seating(tables, 0, 0));
        }
        return seatings;
    }

    private static void hours() {
        var lessons = new ArrayList<Lesson>();
        for (int week = 1; week <= 15; week++)
            for (int lab = 1; lab <= 2; lab++) {
                lessons.add(new Lesson("t" + week + lab, week, lab, Region.NECK, Aim.TEACH, 45, null, ""));
                lessons.add(new Lesson("p" + week + lab, week, lab, Region.NECK, Aim.PRACTISE, 60, null, ""));
            }
        var plan = new Curriculum(
                "t",
                "T",
                15,
                2,
                120,
                60,
                Map.of(),
                Map.of(HourKind.DEMONSTRATION, 20.0),
                Set.of(8),
                lessons,
                List.of());
        var held = new ArrayList<HeldLab>();
        var over = new HashSet<LabPlace>();
        for (int week = 1; week <= 12; week++)
            for (int lab = 1; lab <= 2; lab++) {
                held.add(HeldLab.planned(plan, week, lab));
                over.add(new LabPlace(week, lab));
            }
        var random = new Random(9);
        var students = new ArrayList<Register.Marked>();
        for (var id : people(1000)) {
            var marks = new HashMap<LabPlace, Presence>();
            for (var place : over)
                marks.put(
                        place,
                        random.nextInt(12) == 0
                                ? Presence.AWAY
                                : new Presence(Presence.Kind.PRESENT, random.nextInt(6) == 0 ? 12 : 0, null));
            students.add(new Register.Marked(id, new LabPlace(1, 1), null, marks, List.of()));
        }
        var labs = TermLabs.of(plan, held, over);
        say(
                "hours of 1,000 students over 24 labs",
                median(() -> Register.hours(labs, Profile.bySeconds(), students)),
                "ms");
    }

    private static PracticalDay sixty(@Nullable Timetable begun) {
        var students = new ArrayList<DayStudent>();
        var sittings = new ArrayList<Sitting>();
        var both = Set.of(Region.NECK, Region.LOWER_LEG);
        for (int s = 0; s < 30; s++) {
            var id = "s" + s;
            students.add(new DayStudent(id, id, Set.of(), Set.of(), Set.of(), "s" + (s + 1) % 30, List.of()));
            for (var region : List.of(Region.NECK, Region.LOWER_LEG)) {
                var at = begun == null ? null : begun.placed().get(id + region);
                sittings.add(new Sitting(
                        id + region, id, region, 20, false, false, at != null && at.begins() < 530 ? at : null));
            }
        }
        var away = begun == null ? List.<Span>of() : List.of(new Span(530, 1440));
        return new PracticalDay(
                new Span(8 * 60, 17 * 60),
                20,
                10,
                List.of(new Span(12 * 60, 13 * 60)),
                6,
                2,
                List.of(
                        new DayGrader("a", "a", both, List.of()),
                        new DayGrader("b", "b", Set.of(Region.NECK), List.of()),
                        new DayGrader("c", "c", Set.of(Region.LOWER_LEG), List.of()),
                        new DayGrader("d", "d", both, away)),
                students,
                sittings);
    }

    private static void practicals() {
        var day = sixty(null);
        long began = System.nanoTime();
        var first = new double[1];
        var planned = new TimetableSolver(Duration.ofSeconds(20), Duration.ofSeconds(3))
                .solve(day, new Timetable(Map.of()), t -> {
                    if (first[0] == 0) first[0] = (System.nanoTime() - began) / 1e6;
                });
        say("60 practicals, 6 tables, 4 graders: the first that can be held", first[0], "ms");
        say("  the best", (System.nanoTime() - began) / 1e6, "ms");
        say("  practicals with their place", planned.placed().size(), "of 60");
        say("  promises broken", planned.broken(day).size(), "");
        var ill = sixty(planned);
        long again = System.nanoTime();
        var now = new TimetableSolver(Duration.ofSeconds(4), Duration.ofMillis(800)).solve(ill, planned, t -> {});
        say("a grader is ill at 8:50: the rest of the day", (System.nanoTime() - again) / 1e6, "ms");
        say(
                "  practicals that change",
                planned.placed().entrySet().stream()
                        .filter(e -> !e.getValue().equals(now.placed().get(e.getKey())))
                        .count(),
                "");
        say("  promises broken", now.broken(ill).size(), "");
    }
}
