package palmtally.core.register;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import palmtally.core.InvalidValue;
import palmtally.core.body.Region;
import palmtally.core.calendar.Aim;
import palmtally.core.calendar.Curriculum;
import palmtally.core.calendar.HourKind;
import palmtally.core.calendar.Lesson;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Choices;
import palmtally.core.profile.Numbers;
import palmtally.core.profile.Profile;
import palmtally.core.register.Register.Marked;

/** Hours by kind from what was marked at the door. The rules of counting are common practice, no source. */
class RegisterTest {
    private static final Profile A = Profile.bySeconds();
    private static final Profile B = Profile.byResponse();

    private static Lesson lesson(String id, int week, int lab, Region region, Aim aim, double minutes) {
        return new Lesson(id, week, lab, region, aim, minutes, null, "");
    }

    /** Four weeks of one lab of 120 minutes: 20 explained, 40 shown, 50 practised, 10 open. Week 3 is off. */
    private static Curriculum plan(Map<HourKind, Double> asked, double target) {
        var lessons = new ArrayList<Lesson>();
        for (int week : List.of(1, 2, 4)) {
            lessons.add(lesson("e" + week, week, 1, Region.NECK, Aim.EXPLAIN, 20));
            lessons.add(lesson("t" + week, week, 1, Region.NECK, Aim.TEACH, 40));
            lessons.add(lesson("p" + week, week, 1, Region.NECK, Aim.PRACTISE, 50));
        }
        return new Curriculum("t", "T", 4, 1, 120, target, Map.of(), asked, Set.of(3), lessons, List.of());
    }

    private static TermLabs twoHeld(Curriculum plan) {
        return TermLabs.of(
                plan,
                List.of(HeldLab.planned(plan, 1, 1), HeldLab.planned(plan, 2, 1)),
                Set.of(new LabPlace(1, 1), new LabPlace(2, 1)));
    }

    private static Marked marked(@Nullable Presence first, @Nullable Presence second, EnteredHours... entered) {
        var marks = new HashMap<LabPlace, Presence>();
        if (first != null) marks.put(new LabPlace(1, 1), first);
        if (second != null) marks.put(new LabPlace(2, 1), second);
        return new Marked("s", new LabPlace(1, 1), null, marks, List.of(entered));
    }

    private static StudentHours hours(Curriculum plan, Profile profile, Marked student) {
        return Register.hours(twoHeld(plan), profile, List.of(student)).get(0);
    }

    private static StudentHours.KindHours of(StudentHours hours, HourKind kind) {
        return hours.kinds().get(kind.ordinal());
    }

    private static double attended(StudentHours hours, HourKind kind) {
        return of(hours, kind).attended();
    }

    private static EnteredHours entry(HourKind kind, double minutes, @Nullable LabPlace madeUp) {
        return new EnteredHours("e", kind, minutes, LocalDate.of(2026, 10, 1), madeUp, "");
    }

    private static List<String> ids(StudentHours hours) {
        return hours.findings().stream().map(f -> f.rule().id()).toList();
    }

    @Nested
    class What_counts {
        private final Curriculum plan = plan(Map.of(), 0);

        @Test
        void is_the_part_of_each_lesson_that_somebody_was_there() {
            // 30 minutes late: all 20 explained and 10 of the 40 shown are missed. 100 minutes: 40 of 50 practised, and
            // the open ten.
            var h = hours(
                    plan,
                    A,
                    marked(
                            new Presence(Presence.Kind.PRESENT, 30, null),
                            new Presence(Presence.Kind.PRESENT, 0, 100.0)));
            assertThat(attended(h, HourKind.THEORY)).isCloseTo(20 / 60.0, within(1e-12));
            assertThat(attended(h, HourKind.DEMONSTRATION)).isCloseTo((30 + 40) / 60.0, within(1e-12));
            assertThat(attended(h, HourKind.SUPERVISED_PRACTICE)).isCloseTo((50 + 10 + 40) / 60.0, within(1e-12));
            assertThat(h.all().attended()).isCloseTo(190 / 60.0, within(1e-12));
            assertThat(h.labs().get(0).missed()).isEqualTo(Map.of(HourKind.THEORY, 20.0, HourKind.DEMONSTRATION, 10.0));
            assertThat(h.labsMissed()).isZero();
        }

        @Test
        void of_a_lab_that_is_not_marked_is_nothing_and_nothing_is_missed() {
            var h = hours(plan, A, marked(Presence.THERE, null));
            assertThat(h.all().attended()).isEqualTo(2);
            assertThat(h.labs().get(1).missed()).isEmpty();
            assertThat(h.labs().get(1).presence()).isNull();
            assertThat(h.labsMissed()).isZero();
            assertThat(h.missed()).isEmpty();
        }

        @Test
        void is_cut_at_the_end_of_the_lab_where_more_was_planned_than_it_holds() {
            var over = new Curriculum(
                    "t",
                    "T",
                    2,
                    1,
                    60,
                    0,
                    Map.of(),
                    Set.of(),
                    List.of(
                            lesson("a", 1, 1, Region.NECK, Aim.TEACH, 50),
                            lesson("b", 1, 1, Region.NECK, Aim.ASSESS, 30)));
            var labs = TermLabs.of(over, List.of(HeldLab.planned(over, 1, 1)), Set.of(new LabPlace(1, 1)));
            var h = Register.hours(labs, A, List.of(marked(Presence.THERE, null)))
                    .get(0);
            assertThat(attended(h, HourKind.DEMONSTRATION)).isCloseTo(50 / 60.0, within(1e-12));
            assertThat(attended(h, HourKind.PRACTICAL)).isCloseTo(10 / 60.0, within(1e-12));
            assertThat(h.all().toCome()).isEqualTo(1);
        }

        @Test
        void follows_what_was_held_and_not_what_is_planned_now() {
            var held = new HeldLab(
                    new LabPlace(1, 1), 90, List.of(new HeldLab.LabPart(HourKind.PRACTICAL, Region.FOOT, 90)));
            var labs = TermLabs.of(plan, List.of(held), Set.of(new LabPlace(1, 1)));
            var h = Register.hours(labs, A, List.of(marked(Presence.THERE, null)))
                    .get(0);
            assertThat(attended(h, HourKind.PRACTICAL)).isEqualTo(1.5);
            assertThat(h.all().attended()).isEqualTo(1.5);
        }

        @Test
        void begins_with_the_day_somebody_came_and_ends_with_the_day_they_left() {
            var late = new Marked("s", new LabPlace(2, 1), null, Map.of(new LabPlace(2, 1), Presence.THERE), List.of());
            var gone = new Marked(
                    "g", new LabPlace(1, 1), new LabPlace(2, 1), Map.of(new LabPlace(1, 1), Presence.AWAY), List.of());
            var both = Register.hours(twoHeld(plan), A, List.of(late, gone));
            assertThat(both.get(0).labs())
                    .extracting(StudentHours.LabHours::place)
                    .containsExactly(new LabPlace(2, 1));
            assertThat(both.get(0).all().toCome()).isEqualTo(2);
            assertThat(both.get(1).all().toCome()).isZero();
            assertThat(both.get(1).labsMissed()).isEqualTo(1);
        }
    }

    @Nested
    class Schools_disagree {
        private final Curriculum plan = plan(Map.of(HourKind.SUPERVISED_PRACTICE, 10.0), 0);

        private double practice(Profile profile, Presence presence) {
            return attended(hours(plan, profile, marked(presence, null)), HourKind.SUPERVISED_PRACTICE);
        }

        private Presence late(double minutes) {
            return new Presence(Presence.Kind.PRESENT, minutes, null);
        }

        @Test
        void how_long_an_hour_is_and_what_open_minutes_are() {
            assertThat(practice(A, Presence.THERE)).isEqualTo(1);
            assertThat(practice(B, Presence.THERE)).isEqualTo(1);
            var breaks = Choices.find("open-minutes").orElseThrow().choose(A, "break");
            assertThat(practice(breaks, Presence.THERE)).isCloseTo(50 / 60.0, within(1e-12));
        }

        @Test
        void what_a_late_minute_costs() {
            // Practice begins at minute 60.
            assertThat(practice(A, late(62))).isCloseTo(58 / 60.0, within(1e-12));
            var quarters = Choices.find("time-counted").orElseThrow().choose(A, "quarter-hours");
            assertThat(practice(quarters, late(62))).isCloseTo(45 / 60.0, within(1e-12));
            assertThat(practice(quarters, new Presence(Presence.Kind.PRESENT, 0, 89.0)))
                    .isCloseTo(15 / 60.0, within(1e-12));
            assertThat(practice(quarters, late(75))).isCloseTo(45 / 60.0, within(1e-12));
            assertThat(practice(B, late(44))).isPositive();
            assertThat(practice(B, late(45))).isZero();
            assertThat(hours(plan, B, marked(late(45), null)).labsMissed()).isEqualTo(1);
            assertThat(attended(hours(plan, B, marked(late(10), null)), HourKind.THEORY))
                    .isEqualTo(20 / 50.0);
            assertThat(attended(hours(plan, B, marked(late(11), null)), HourKind.THEORY))
                    .isEqualTo(5 / 50.0);
        }

        @Test
        void whether_what_was_excused_counts() {
            var a = hours(plan, A, marked(Presence.EXCUSED, Presence.THERE));
            assertThat(of(a, HourKind.SUPERVISED_PRACTICE).excused()).isZero();
            // Ten hours are asked for: up to one may be excused; 50 minutes of 50 were.
            var b = hours(plan, B, marked(Presence.EXCUSED, Presence.THERE));
            assertThat(of(b, HourKind.SUPERVISED_PRACTICE).excused()).isEqualTo(1);
            assertThat(of(hours(plan, B, marked(Presence.AWAY, null)), HourKind.SUPERVISED_PRACTICE)
                            .excused())
                    .isZero();
            var both = hours(plan, B, marked(Presence.EXCUSED, Presence.EXCUSED));
            assertThat(of(both, HourKind.SUPERVISED_PRACTICE).excused()).isEqualTo(1);
            // What was made up is not excused besides.
            var made = hours(
                    plan,
                    B,
                    marked(
                            Presence.EXCUSED,
                            Presence.THERE,
                            entry(HourKind.SUPERVISED_PRACTICE, 50, new LabPlace(1, 1))));
            assertThat(of(made, HourKind.SUPERVISED_PRACTICE).excused()).isZero();
            assertThat(of(made, HourKind.SUPERVISED_PRACTICE).counts()).isEqualTo(2);
        }

        @Test
        void the_two_schools_that_ship_differ_on_every_row() {
            for (var id : List.of("time-counted", "open-minutes")) {
                var row = Choices.find(id).orElseThrow();
                assertThat(row.chosen(A)).isNotEqualTo(row.chosen(B));
            }
            for (var id : List.of("hour-minutes", "late-grace", "late-missed", "excused-share", "missed-share")) {
                var row = Numbers.all().stream()
                        .filter(r -> r.id().equals(id))
                        .findFirst()
                        .orElseThrow();
                assertThat(row.value(A)).isNotEqualTo(row.value(B));
            }
        }
    }

    @Nested
    class What_is_lacking {
        @Test
        void is_told_with_the_sum_and_where_it_can_be_made_up() {
            var plan = plan(Map.of(HourKind.DEMONSTRATION, 2.0, HourKind.OWN_PRACTICE, 3.0), 0);
            var h = hours(plan, A, marked(Presence.AWAY, Presence.THERE, entry(HourKind.OWN_PRACTICE, 60, null)));
            var shown = of(h, HourKind.DEMONSTRATION);
            assertThat(shown.attended() + shown.toCome()).isCloseTo(80 / 60.0, within(1e-12));
            assertThat(shown.missing()).isCloseTo(40 / 60.0, within(1e-12));
            assertThat(h.findings()).hasSize(2);
            assertThat(h.findings().get(0).sentence())
                    .isEqualTo("Demonstration comes to 1.3 of the 2 h asked for by the end of the term if nothing else "
                            + "is missed: 0.7 h are lacking.");
            assertThat(h.findings().get(0).remedy())
                    .isEqualTo(
                            "It can be made up in week 4, lab 1 (10 min that no lesson takes). Enter it as made up.");
            assertThat(h.findings().get(1).sentence())
                    .startsWith("Own practice is 1 of the 3 h asked for: 1 h less than the part");
            assertThat(h.findings().get(1).remedy())
                    .isEqualTo("In the week that is left that is 2 h a week for all of it. Enter what was done.");
            assertThat(h.missed())
                    .extracting(StudentHours.Missed::kind)
                    .containsExactly(
                            HourKind.THEORY,
                            HourKind.DEMONSTRATION,
                            HourKind.SUPERVISED_PRACTICE,
                            HourKind.SUPERVISED_PRACTICE);
            assertThat(h.missed().get(1).again()).isEqualTo(new LabPlace(4, 1));
            assertThat(h.missed().get(3).again()).isNull();
        }

        @Test
        void of_what_is_done_elsewhere_is_the_part_of_the_term_that_is_gone() {
            // Two of three labs are over: two of three hours are due.
            var plan = plan(Map.of(HourKind.CLINIC, 3.0), 0);
            for (int had = 0; had <= 4; had++) {
                var h = hours(
                        plan,
                        A,
                        had == 0
                                ? marked(Presence.THERE, Presence.THERE)
                                : marked(Presence.THERE, Presence.THERE, entry(HourKind.CLINIC, 60 * had, null)));
                var clinic = of(h, HourKind.CLINIC);
                assertThat(clinic.missing()).as(had + " h done").isCloseTo(Math.max(0, 2 - had), within(1e-9));
                assertThat(clinic.toCome()).isCloseTo(Math.max(0, had < 2 ? 1 : 3 - had), within(1e-9));
                assertThat(ids(h).contains("HOURS-SHORT")).isEqualTo(had < 2);
            }
        }

        @Test
        void is_nothing_where_all_that_is_asked_for_is_still_to_come() {
            var plan = plan(Map.of(HourKind.DEMONSTRATION, 2.0), 6);
            assertThat(ids(hours(plan, A, marked(Presence.THERE, Presence.THERE))))
                    .isEmpty();
            // One lab of six hours' term missed.
            var h = hours(plan(Map.of(), 6), A, marked(Presence.THERE, Presence.EXCUSED));
            assertThat(h.all().missing()).isEqualTo(2);
            assertThat(h.findings().get(0).sentence()).startsWith("The term comes to 4 of the 6 h");
        }

        @Test
        void made_up_in_part_leaves_the_rest_missed() {
            var plan = plan(Map.of(), 0);
            var h = hours(plan, A, marked(Presence.AWAY, null, entry(HourKind.DEMONSTRATION, 50, new LabPlace(1, 1))));
            assertThat(h.missed()).hasSize(3);
            assertThat(h.missed().get(0).kind()).isEqualTo(HourKind.DEMONSTRATION);
            assertThat(h.missed().get(0).minutes()).isEqualTo(10);
            assertThat(h.labsMissed()).isEqualTo(1);
            var all =
                    hours(plan, A, marked(Presence.AWAY, null, entry(HourKind.DEMONSTRATION, 120, new LabPlace(1, 1))));
            assertThat(all.missed()).isEmpty();
            assertThat(all.labsMissed()).isZero();
        }

        @Test
        void missing_labs_is_said_from_the_share_that_a_school_allows() {
            var plan = new Curriculum("t", "T", 20, 1, 60, 0, Map.of(), Set.of(), List.of());
            var held = new ArrayList<HeldLab>();
            var over = new java.util.HashSet<LabPlace>();
            for (int w = 1; w <= 20; w++) {
                held.add(HeldLab.planned(plan, w, 1));
                over.add(new LabPlace(w, 1));
            }
            var labs = TermLabs.of(plan, held, over);
            for (int away = 0; away <= 5; away++) {
                var marks = new HashMap<LabPlace, Presence>();
                for (int w = 1; w <= 20; w++) marks.put(new LabPlace(w, 1), w <= away ? Presence.AWAY : Presence.THERE);
                var student = new Marked("s", new LabPlace(1, 1), null, marks, List.of());
                boolean inA =
                        ids(Register.hours(labs, A, List.of(student)).get(0)).contains("HOURS-MISSED");
                boolean inB =
                        ids(Register.hours(labs, B, List.of(student)).get(0)).contains("HOURS-MISSED");
                assertThat(inA).as(away + " of 20 away, 10 %").isEqualTo(away > 2);
                assertThat(inB).as(away + " of 20 away, 20 %").isEqualTo(away > 4);
            }
        }

        @Test
        void a_rule_a_school_has_turned_off_says_nothing() {
            var off = A.withSeverities(
                    Map.of(Rule.of("HOURS-SHORT"), Severity.OFF, Rule.of("HOURS-UNMARKED"), Severity.OFF));
            var plan = plan(Map.of(HourKind.CLINIC, 5.0), 0);
            assertThat(ids(hours(plan, A, marked(Presence.THERE, Presence.THERE))))
                    .containsExactly("HOURS-SHORT");
            assertThat(ids(hours(plan, off, marked(Presence.THERE, Presence.THERE))))
                    .isEmpty();
            var unmarked = TermLabs.of(plan, List.of(), Set.of(new LabPlace(1, 1), new LabPlace(3, 1)));
            assertThat(Register.findings(unmarked, A))
                    .extracting(RegisterFinding::where)
                    .containsExactly(new LabPlace(1, 1));
            assertThat(Register.findings(unmarked, off)).isEmpty();
        }
    }

    @Test
    void what_cannot_be_is_refused_by_name() {
        assertThatThrownBy(() -> new Presence(Presence.Kind.ABSENT, 5, null))
                .isInstanceOf(InvalidValue.class)
                .hasMessageContaining("was not there");
        assertThatThrownBy(() -> new Presence(Presence.Kind.PRESENT, 20, 10.0))
                .hasMessageContaining("before they came");
        assertThatThrownBy(() -> new Presence(Presence.Kind.PRESENT, Double.NaN, null))
                .hasMessageContaining("must be 0 to 480");
        assertThatThrownBy(() -> entry(HourKind.CLINIC, 10, new LabPlace(1, 1)))
                .hasMessageContaining("makes up for none");
        assertThatThrownBy(() -> entry(HourKind.CLINIC, 0, null)).hasMessageContaining("above 0");
        assertThatThrownBy(() ->
                        new HeldLab(new LabPlace(1, 1), 500, List.of(new HeldLab.LabPart(HourKind.CLINIC, null, 0))))
                .satisfies(e -> assertThat(((InvalidValue) e).faults())
                        .extracting(InvalidValue.Fault::field)
                        .containsExactly("minutes", "parts/0/minutes", "parts/0/kind"));
    }

    /** The same told minute by minute: each minute of a lab is of a kind, and somebody was there or not. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void agrees_with_counting_every_minute(long seed) {
        var random = new Random(seed);
        for (int turn = 0; turn < 200; turn++) {
            var profile = random.nextBoolean() ? A : B;
            var rules = profile.hours();
            int minutes = 30 + random.nextInt(200);
            var parts = new ArrayList<HeldLab.LabPart>();
            for (int i = random.nextInt(5); i > 0; i--)
                parts.add(
                        new HeldLab.LabPart(HourKind.values()[random.nextInt(4)], Region.NECK, 1 + random.nextInt(80)));
            var lab = new HeldLab(new LabPlace(1, 1), minutes, parts);
            int late = random.nextInt(4) == 0 ? 0 : random.nextInt(minutes);
            Integer left = random.nextBoolean() ? null : late + random.nextInt(minutes);
            var plan = new Curriculum("t", "T", 1, 1, 60, 0, Map.of(), Set.of(), List.of());
            var presence = new Presence(Presence.Kind.PRESENT, late, left == null ? null : left.doubleValue());
            var student = marked(presence, null);
            var h = Register.hours(TermLabs.of(plan, List.of(lab), Set.of()), profile, List.of(student))
                    .get(0);

            Map<HourKind, Double> expected = new EnumMap<>(HourKind.class);
            int begin = late <= rules.graceMinutes() ? 0 : late;
            int end = left == null ? minutes : Math.min(left, minutes);
            if (rules.counted().toString().equals("quarter-hours")) {
                while (begin % 15 != 0) begin++;
                while (end < minutes && end % 15 != 0) end--;
            }
            if (late >= rules.missedFromMinutes()) end = 0;
            for (int minute = begin; minute < end; minute++) {
                HourKind kind = rules.openMinutes().toString().equals("practice") ? HourKind.SUPERVISED_PRACTICE : null;
                double at = 0;
                for (var part : parts) {
                    if (minute >= at && minute < at + part.minutes()) kind = part.kind();
                    at += part.minutes();
                }
                if (kind != null) expected.merge(kind, 1 / rules.hourMinutes(), Double::sum);
            }
            for (var kind : HourKind.values())
                assertThat(attended(h, kind))
                        .as(kind + ", " + lab + ", " + presence)
                        .isCloseTo(expected.getOrDefault(kind, 0.0), within(1e-9));
        }
    }
}
