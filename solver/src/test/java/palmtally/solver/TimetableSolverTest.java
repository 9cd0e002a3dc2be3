package palmtally.solver;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import palmtally.core.body.Region;
import palmtally.core.timetable.DayGrader;
import palmtally.core.timetable.DayStudent;
import palmtally.core.timetable.Lacking;
import palmtally.core.timetable.Placed;
import palmtally.core.timetable.PracticalDay;
import palmtally.core.timetable.Sitting;
import palmtally.core.timetable.Span;
import palmtally.core.timetable.Timetable;

/** What a timetable promises is held to a program that walks through the day minute by minute, not to the solver's own score. */
class TimetableSolverTest {
    private static final Timetable NOTHING = new Timetable(Map.of());

    private static Timetable solved(PracticalDay day, Timetable before) {
        return new TimetableSolver(Duration.ofSeconds(6), Duration.ofMillis(700)).solve(day, before, t -> {});
    }

    /** The day minute by minute: who is at which table, and whether anybody would have to be in two. */
    static List<String> faults(PracticalDay day, Timetable timetable) {
        var faults = new ArrayList<String>();
        for (int minute = 0; minute < 1440; minute++) {
            var tables = new HashSet<Integer>();
            var people = new HashSet<String>();
            var watched = new HashMap<String, Integer>();
            for (var s : day.sittings()) {
                var p = timetable.placed().get(s.id());
                if (p == null) continue;
                int ends = p.begins() + s.minutes();
                if (minute >= p.begins() && minute < ends + day.changeOver() && !tables.add(p.table()))
                    faults.add(minute + ": table " + p.table() + " twice");
                if (minute < p.begins() || minute >= ends) continue;
                if (!people.add(s.student())) faults.add(minute + ": " + s.student() + " in two places");
                if (p.client() != null && !people.add(p.client()))
                    faults.add(minute + ": " + p.client() + " in two places");
                for (var g : p.graders()) watched.merge(g, 1, Integer::sum);
                if (s.held() != null) continue;
                int now = minute;
                if (minute < day.hours().from() || minute >= day.hours().until()) faults.add(minute + ": closed");
                if (day.breaks().stream().anyMatch(b -> now >= b.from() && now < b.until()))
                    faults.add(minute + ": break");
                for (var who : day.students())
                    if ((who.id().equals(s.student()) || who.id().equals(p.client()))
                            && who.away().stream().anyMatch(a -> now >= a.from() && now < a.until()))
                        faults.add(minute + ": " + who.id() + " is away");
                for (var g : day.graders())
                    if (p.graders().contains(g.id())
                            && g.away().stream().anyMatch(a -> now >= a.from() && now < a.until()))
                        faults.add(minute + ": " + g.id() + " is away");
            }
            int at = minute;
            watched.forEach((g, n) -> {
                if (n > day.tablesAGrader()) faults.add(at + ": " + g + " watches " + n);
            });
        }
        for (var s : day.sittings()) {
            var p = timetable.placed().get(s.id());
            if (s.held() != null && !s.held().equals(p)) faults.add(s.id() + " was to stay");
            if (p == null || s.held() != null) continue;
            if (p.table() < 1 || p.table() > day.tables()) faults.add(s.id() + " at no table");
            if (new HashSet<>(p.graders()).size() < p.graders().size()) faults.add(s.id() + " one grader twice");
            for (var g : day.graders())
                if (p.graders().contains(g.id()) && !g.regions().contains(s.region()))
                    faults.add(g.id() + " may not " + s.id());
            DayStudent t = null;
            DayStudent c = null;
            for (var who : day.students()) {
                if (who.id().equals(s.student())) t = who;
                if (who.id().equals(p.client())) c = who;
            }
            if (c == null || t == null) continue;
            if (c.id().equals(t.id())) faults.add(s.id() + " on themselves");
            if (t.last().equals(c.id())) faults.add(s.id() + " with the client of last time");
            if (t.not().contains(c.id()) || c.not().contains(t.id()))
                faults.add(s.id() + " with one they are kept from");
            if (c.spared().contains(s.region())) faults.add(s.id() + " on a body to be spared");
            if (s.sensitive() && !c.agreed().contains(s.region())) faults.add(s.id() + " without agreement");
        }
        return faults;
    }

    /** Fifty schools: every promise is kept, the core sees it too, and what is lacking is said of each practical that lacks it. */
    @ParameterizedTest
    @ValueSource(ints = {0, 10, 20, 30, 40})
    void every_promise_is_kept_in_any_school(int first) {
        for (long seed = first; seed < first + 10; seed++) {
            var day = Days.any(seed);
            var timetable =
                    new TimetableSolver(Duration.ofSeconds(2), Duration.ofMillis(150)).solve(day, NOTHING, t -> {});
            assertThat(faults(day, timetable)).as("school " + seed).isEmpty();
            assertThat(timetable.broken(day)).as("school " + seed).isEmpty();
            var lacking = Lacking.of(day, timetable);
            for (var s : day.sittings()) {
                var p = timetable.placed().get(s.id());
                boolean whole = p != null && p.client() != null && p.graders().size() == (s.twice() ? 2 : 1);
                assertThat(lacking.stream().anyMatch(l -> l.sitting().equals(s.id())))
                        .as(s.id())
                        .isEqualTo(!whole);
            }
        }
    }

    /** What the minute-by-minute program calls a fault the core calls broken, and the other way round. */
    @Test
    void the_core_sees_every_fault_that_is_made_on_purpose() {
        var day = Days.sixty();
        var whole = solved(day, NOTHING);
        assertThat(faults(day, whole)).isEmpty();
        assertThat(whole.placed()).hasSize(60);
        var random = new java.util.Random(1);
        int broken = 0;
        for (int i = 0; i < 300; i++) {
            var placed = new HashMap<>(whole.placed());
            var s = day.sittings().get(random.nextInt(60));
            var p = placed.get(s.id());
            placed.put(
                    s.id(),
                    switch (random.nextInt(4)) {
                        case 0 -> new Placed(p.begins() + random.nextInt(90) - 45, p.table(), p.graders(), p.client());
                        case 1 -> new Placed(p.begins(), random.nextInt(8), p.graders(), p.client());
                        case 2 ->
                            new Placed(
                                    p.begins(),
                                    p.table(),
                                    List.of("abcd".substring(random.nextInt(4)).substring(0, 1)),
                                    p.client());
                        default -> new Placed(p.begins(), p.table(), p.graders(), "s" + random.nextInt(30));
                    });
            var changed = new Timetable(placed);
            boolean fault = !faults(day, changed).isEmpty();
            assertThat(!changed.broken(day).isEmpty())
                    .as("change " + i + " of " + s.id() + ": " + faults(day, changed))
                    .isEqualTo(fault);
            if (fault) broken++;
        }
        assertThat(broken).isBetween(50, 290);
    }

    /** Small days: as many practicals find a place as by trying every way. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void as_many_find_a_place_as_can(long seed) {
        var random = new java.util.Random(seed);
        var students = new ArrayList<DayStudent>();
        for (int s = 0; s < 4; s++) students.add(Days.student("s" + s, "s" + (s + 1 + random.nextInt(3)) % 4));
        var sittings = new ArrayList<Sitting>();
        for (int s = 0; s < 4; s++)
            sittings.add(Days.sitting("s" + s, random.nextBoolean() ? Region.NECK : Region.HIP, 20));
        var day = new PracticalDay(
                new Span(540, 540 + 20 * (1 + random.nextInt(2))),
                20,
                0,
                List.of(),
                2,
                1,
                List.of(Days.grader("g", Region.NECK), Days.grader("h", Region.NECK, Region.HIP)),
                students,
                sittings);
        assertThat(whole(day, solved(day, NOTHING))).isEqualTo(most(day, 0, new HashMap<>()));
    }

    private static long whole(PracticalDay day, Timetable t) {
        return t.placed().values().stream()
                .filter(p -> p.client() != null && p.graders().size() == 1)
                .count();
    }

    private static long most(PracticalDay day, int from, Map<String, Placed> placed) {
        if (from == day.sittings().size()) return placed.size();
        long most = most(day, from + 1, placed);
        var s = day.sittings().get(from);
        for (int begins : day.starts())
            for (int table = 1; table <= day.tables(); table++)
                for (var g : day.graders())
                    for (var c : day.students()) {
                        placed.put(s.id(), new Placed(begins, table, List.of(g.id()), c.id()));
                        if (faults(day, new Timetable(placed)).isEmpty())
                            most = Math.max(most, most(day, from + 1, placed));
                        placed.remove(s.id());
                        if (most == day.sittings().size()) return most;
                    }
        return most;
    }

    @Nested
    class On_the_day {
        private final PracticalDay day = Days.sixty();
        private final Timetable planned = solved(day, NOTHING);

        /** One grader is ill at 8:50: what has begun stays, the rest of the day is planned around it, and little is changed. */
        @Test
        void a_grader_who_is_ill_changes_no_more_than_must_be() {
            var held = new ArrayList<Sitting>();
            for (var s : day.sittings()) {
                var p = planned.placed().get(s.id());
                boolean begun = p.begins() < 8 * 60 + 50;
                held.add(new Sitting(s.id(), s.student(), s.region(), s.minutes(), false, false, begun ? p : null));
            }
            var graders = new ArrayList<DayGrader>();
            for (var g : day.graders())
                graders.add(
                        g.id().equals("d")
                                ? new DayGrader(g.id(), g.name(), g.regions(), List.of(new Span(8 * 60 + 50, 1440)))
                                : g);
            var rest = new PracticalDay(
                    day.hours(),
                    day.minutes(),
                    day.changeOver(),
                    day.breaks(),
                    day.tables(),
                    day.tablesAGrader(),
                    graders,
                    day.students(),
                    held);
            var now = solved(rest, planned);
            assertThat(faults(rest, now)).isEmpty();
            assertThat(now.placed()).hasSize(60);
            long ofHers = planned.placed().values().stream()
                    .filter(p -> p.begins() >= 530 && p.graders().contains("d"))
                    .count();
            long changed = planned.placed().entrySet().stream()
                    .filter(e -> !e.getValue().equals(now.placed().get(e.getKey())))
                    .count();
            assertThat(changed).isBetween(ofHers, 2 * ofHers + 4);
            long moved = planned.placed().entrySet().stream()
                    .filter(e -> e.getValue().begins()
                            != now.placed().get(e.getKey()).begins())
                    .count();
            assertThat(moved).isLessThanOrEqualTo(ofHers);
        }

        @Test
        void what_is_solved_again_with_nothing_changed_stays() {
            assertThat(solved(day, planned)).isEqualTo(planned);
        }

        @Test
        void better_ones_are_told_as_they_are_found_and_it_can_be_stopped() throws Exception {
            var told = new ArrayList<Timetable>();
            var solver = new TimetableSolver(Duration.ofSeconds(60), Duration.ofSeconds(60));
            var found = new Timetable[1];
            var thread = new Thread(() -> found[0] = solver.solve(day, NOTHING, told::add));
            thread.start();
            while (told.isEmpty()) Thread.sleep(20);
            solver.stop();
            thread.join(20_000);
            assertThat(found[0]).isNotNull();
            assertThat(faults(day, found[0])).isEmpty();
            assertThat(told).allSatisfy(t -> assertThat(faults(day, t)).isEmpty());
        }

        @Test
        void whoever_is_told_of_a_better_one_can_stop_it() throws Exception {
            var solver = new TimetableSolver(Duration.ofSeconds(60), Duration.ofSeconds(60));
            var told = new AtomicInteger();
            var found = new Timetable[1];
            // The first is what it begins from; those after it are found while it looks.
            var thread = new Thread(() -> found[0] = solver.solve(day, NOTHING, t -> {
                if (told.incrementAndGet() > 1) solver.stop();
            }));
            thread.setDaemon(true);
            thread.start();
            thread.join(20_000);
            assertThat(told.get()).isGreaterThan(1);
            assertThat(found[0]).isNotNull();
            assertThat(faults(day, found[0])).isEmpty();
        }
    }

    @Nested
    class What_is_lacking {
        private PracticalDay day(int tables, List<DayGrader> graders, List<DayStudent> students, Sitting... sittings) {
            return new PracticalDay(
                    new Span(540, 580), 20, 0, List.of(), tables, 1, graders, students, List.of(sittings));
        }

        private final List<DayStudent> three =
                List.of(Days.student("Ana", ""), Days.student("Bram", ""), Days.student("Cleo", ""));

        @Test
        void the_least_change_that_would_do_is_named() {
            // One grader for the neck, none for the hip.
            var day = day(1, List.of(Days.grader("Olle", Region.NECK)), three, Days.sitting("Ana", Region.HIP, 20));
            var lacking = Lacking.of(day, solved(day, NOTHING));
            assertThat(lacking).hasSize(1);
            assertThat(lacking.get(0).sentence())
                    .isEqualTo(
                            "Ana, sacrum and hip: no grader. It fits at 09:00, table 1, if Olle may grade this region too.");
            assertThat(lacking.get(0).change()).containsExactly(Lacking.Change.DUTY);
        }

        @Test
        void a_day_that_is_too_short_asks_for_a_later_end() {
            var day = day(
                    1,
                    List.of(Days.grader("Olle", Region.NECK)),
                    three,
                    Days.sitting("Ana", Region.NECK, 20),
                    Days.sitting("Bram", Region.NECK, 20),
                    Days.sitting("Cleo", Region.NECK, 20));
            var lacking = Lacking.of(day, solved(day, NOTHING));
            assertThat(lacking).hasSize(1);
            assertThat(lacking.get(0).sentence()).endsWith("if the day ends at 10:00.");
        }

        /** Who is kept from whom, and whose body is spared, is never named and never proposed to be changed. */
        @Test
        void why_there_is_no_client_is_told_to_nobody() {
            var apart = List.of(
                    new DayStudent("Ana", "Ana", Set.of(), Set.of(), Set.of("Bram"), "", List.of()),
                    new DayStudent("Bram", "Bram", Set.of(), Set.of(), Set.of(), "", List.of()),
                    new DayStudent("Cleo", "Cleo", Set.of(Region.NECK), Set.of(), Set.of(), "", List.of()));
            var day = day(1, List.of(Days.grader("Olle", Region.NECK)), apart, Days.sitting("Ana", Region.NECK, 20));
            var lacking = Lacking.of(day, solved(day, NOTHING));
            assertThat(lacking).hasSize(1);
            assertThat(lacking.get(0).sentence())
                    .isEqualTo("Ana, neck: no client. Hold it on another day, or bring a client from outside.");
            assertThat(lacking.get(0).change()).isEmpty();
        }
    }
}
