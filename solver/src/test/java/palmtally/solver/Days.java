package palmtally.solver;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import palmtally.core.body.Region;
import palmtally.core.timetable.DayGrader;
import palmtally.core.timetable.DayStudent;
import palmtally.core.timetable.PracticalDay;
import palmtally.core.timetable.Sitting;
import palmtally.core.timetable.Span;

/** Days of practicals made by a seed. */
final class Days {
    private static final List<Region> REGIONS = List.of(Region.NECK, Region.HIP, Region.LOWER_LEG, Region.FOOT);

    private Days() {}

    static DayStudent student(String id, String last) {
        return new DayStudent(id, id, Set.of(), Set.of(), Set.of(), last, List.of());
    }

    static DayGrader grader(String id, Region... regions) {
        return new DayGrader(id, id, Set.of(regions), List.of());
    }

    static Sitting sitting(String student, Region region, int minutes) {
        return new Sitting(student + "/" + region, student, region, minutes, false, false, null);
    }

    /** 60 practicals of 30 students, 6 tables, 4 graders with two tables at once each: the day of the speed that is asked for. */
    static PracticalDay sixty() {
        var students = new ArrayList<DayStudent>();
        var sittings = new ArrayList<Sitting>();
        for (int s = 0; s < 30; s++) {
            students.add(student("s" + s, "s" + (s + 1) % 30));
            sittings.add(sitting("s" + s, Region.NECK, 20));
            sittings.add(sitting("s" + s, Region.LOWER_LEG, s % 10 == 0 ? 25 : 20));
        }
        return new PracticalDay(
                new Span(8 * 60, 17 * 60),
                20,
                10,
                List.of(new Span(12 * 60, 13 * 60)),
                6,
                2,
                List.of(
                        grader("a", Region.NECK, Region.LOWER_LEG),
                        grader("b", Region.NECK),
                        grader("c", Region.LOWER_LEG),
                        grader("d", Region.NECK, Region.LOWER_LEG)),
                students,
                sittings);
    }

    /** Any school: sensitive regions, absences, people kept apart, double marks, extra time, what is locked. */
    static PracticalDay any(long seed) {
        var random = new Random(seed);
        int n = 6 + random.nextInt(10);
        var students = new ArrayList<DayStudent>();
        for (int s = 0; s < n; s++) {
            Set<Region> agreed = random.nextInt(4) > 0 ? Set.of(Region.HIP) : Set.of();
            Set<Region> spared = random.nextInt(8) == 0 ? Set.of(REGIONS.get(random.nextInt(4))) : Set.of();
            var not = new HashSet<String>();
            if (random.nextInt(5) == 0) not.add("s" + (s + 1 + random.nextInt(n - 1)) % n);
            List<Span> away = random.nextInt(6) == 0 ? List.of(new Span(9 * 60, 9 * 60 + 50)) : List.of();
            students.add(new DayStudent(
                    "s" + s, "s" + s, spared, agreed, not, "s" + (s + 1 + random.nextInt(n - 1)) % n, away));
        }
        var graders = new ArrayList<DayGrader>();
        for (int g = 0; g < 2 + random.nextInt(3); g++) {
            var regions = new HashSet<Region>();
            for (var r : REGIONS) if (g == 0 || random.nextBoolean()) regions.add(r);
            List<Span> away = g > 0 && random.nextInt(3) == 0 ? List.of(new Span(10 * 60, 11 * 60)) : List.of();
            graders.add(new DayGrader("g" + g, "g" + g, regions, away));
        }
        var sittings = new ArrayList<Sitting>();
        for (int s = 0; s < n; s++) {
            int count = 1 + random.nextInt(2);
            for (int i = 0; i < count; i++) {
                var region = REGIONS.get(random.nextInt(4));
                sittings.add(new Sitting(
                        "p" + s + "." + i,
                        "s" + s,
                        region,
                        random.nextInt(8) == 0 ? 25 : 20,
                        region == Region.HIP,
                        random.nextInt(6) == 0,
                        null));
            }
        }
        return new PracticalDay(
                new Span(8 * 60, 12 * 60 + 30 * random.nextInt(4)),
                20,
                5 * random.nextInt(3),
                List.of(new Span(10 * 60, 10 * 60 + 15)),
                2 + random.nextInt(4),
                1 + random.nextInt(3),
                graders,
                students,
                sittings);
    }
}
