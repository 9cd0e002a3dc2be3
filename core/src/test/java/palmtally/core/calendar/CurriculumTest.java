package palmtally.core.calendar;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static palmtally.core.calendar.Terms.lesson;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import palmtally.core.InvalidValue;
import palmtally.core.body.Region;
import palmtally.core.body.Zone;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Step;
import palmtally.core.technique.Tool;

/** A term by the clock, and what one lab leaves to the next. */
class CurriculumTest {
    private static Lesson of(Lesson l, String sequence, String... steps) {
        return new Lesson(
                l.id(), l.week(), l.lab(), l.region(), l.aim(), l.minutes(), sequence, l.note(), List.of(steps));
    }

    @Nested
    class ByTheClock {
        private final LabTime tuesday = new LabTime(2, "18:00", "Boathouse");
        private final LabTime saturday = new LabTime(6, "09:30", "");
        private final Curriculum term = new Curriculum(
                "t",
                "Term",
                8,
                2,
                120,
                0,
                Map.of(),
                Map.of(),
                Set.of(),
                List.of(lesson(2, 1, Region.NECK, Aim.TEACH, 25), lesson(2, 1, Region.JAW, Aim.TEACH, 40)),
                List.of(tuesday, saturday));

        /** 2026-09-26 is a Saturday: its week 1 has the Tuesday after, and that very Saturday. */
        @Test
        void a_lab_begins_on_its_day_of_a_week_that_counts_from_the_first() {
            var starts = LocalDate.of(2026, 9, 26);
            assertThat(term.begins(starts, 1, 2)).contains(LocalDateTime.of(2026, 9, 26, 9, 30));
            assertThat(term.begins(starts, 1, 1)).contains(LocalDateTime.of(2026, 9, 29, 18, 0));
            assertThat(term.begins(starts, 3, 1)).contains(LocalDateTime.of(2026, 10, 13, 18, 0));
            assertThat(Terms.of().begins(starts, 1, 1)).isEmpty();
        }

        @Test
        void a_lesson_begins_after_those_in_front_of_it() {
            assertThat(term.minutesBefore(term.lessons().get(0))).isZero();
            assertThat(term.minutesBefore(term.lessons().get(1))).isEqualTo(25);
        }

        @ParameterizedTest
        @CsvSource({"0,18:00,day", "8,18:00,day", "2,24:00,begins", "2,9:30,begins", "2,18:60,begins", "2,'',begins"})
        void a_time_that_is_none_is_refused(int day, String begins, String field) {
            assertThatThrownBy(() -> new LabTime(day, begins, ""))
                    .isInstanceOfSatisfying(
                            InvalidValue.class,
                            e -> assertThat(e.faults().get(0).field()).isEqualTo(field));
        }

        @Test
        void labs_have_a_time_each_or_none_has() {
            assertThatThrownBy(() -> new Curriculum(
                            "t", "Term", 8, 2, 120, 0, Map.of(), Map.of(), Set.of(), List.of(), List.of(tuesday)))
                    .hasMessageContaining("one for each of the 2 labs");
            assertThatThrownBy(() -> new LabTime(2, "18:00", "x".repeat(41))).hasMessageContaining("40");
        }
    }

    @Nested
    class LeftForAnotherDay {
        private final Lesson neck = of(lesson(2, 2, Region.NECK, Aim.TEACH, 40), "neck");
        private final Curriculum term = new Curriculum(
                "t",
                "Term",
                5,
                2,
                120,
                0,
                Map.of(),
                Set.of(3),
                List.of(neck, lesson(4, 1, Region.JAW, Aim.TEACH, 40), lesson(4, 2, Region.JAW, Aim.PRACTISE, 60)));

        @Test
        void it_comes_first_in_the_same_lab_of_the_next_week_that_has_labs() {
            var after = term.leavingForAnotherDay(neck, "left", List.of("s2", "s3"), 10);
            assertThat(after.lessons().stream().map(l -> l.week() + "." + l.lab() + " " + l.region()))
                    .containsExactly("2.2 neck", "4.1 jaw", "4.2 neck", "4.2 jaw");
            var left = after.lesson("left").orElseThrow();
            assertThat(left.steps()).containsExactly("s2", "s3");
            assertThat(left.sequence()).isEqualTo("neck");
            assertThat(left.minutes()).isEqualTo(10);
            assertThat(left.note()).isEqualTo("Left for another day in week 2, lab 2.");
        }

        @Test
        void what_is_left_anew_takes_its_place_and_nothing_left_takes_it_out() {
            var once = term.leavingForAnotherDay(neck, "left", List.of("s2", "s3"), 10);
            var twice = once.leavingForAnotherDay(neck, "left", List.of("s3"), 5);
            assertThat(twice.lessons()).hasSize(4);
            assertThat(twice.lesson("left").orElseThrow().steps()).containsExactly("s3");
            assertThat(twice.leavingForAnotherDay(neck, "left", List.of(), 0)).isEqualTo(term);
        }

        @Test
        void after_the_last_week_there_is_no_other_day() {
            var last = of(lesson(5, 1, Region.NECK, Aim.TEACH, 40), "neck");
            var full = term.adding(last);
            assertThat(full.leavingForAnotherDay(last, "left", List.of("s1"), 5))
                    .isEqualTo(full);
            assertThat(full.weekAfter(5)).isZero();
        }
    }

    @Nested
    class OfPartOfASequence {
        private final palmtally.core.sequence.Sequence plan = once(
                step("a").seconds(600),
                step("b").seconds(60),
                step("c").seconds(60).before("a"));

        @Test
        void only_its_steps_are_meant_and_links_to_others_go() {
            var part =
                    of(lesson(1, Region.LOWER_LEG, Aim.TEACH), "plan", "b", "c").part(plan);
            assertThat(part.steps().stream().map(Step::id)).containsExactly("b", "c");
            assertThat(part.step("c").orElseThrow().before()).isEmpty();
        }

        @Test
        void where_none_of_them_is_left_it_is_the_whole() {
            assertThat(of(lesson(1, Region.LOWER_LEG, Aim.TEACH), "plan", "gone")
                            .part(plan))
                    .isSameAs(plan);
            assertThat(of(lesson(1, Region.LOWER_LEG, Aim.TEACH), "plan").part(plan))
                    .isSameAs(plan);
        }

        @Test
        void it_needs_a_sequence() {
            assertThatThrownBy(() -> of(lesson(1, Region.LOWER_LEG, Aim.TEACH), null, "b"))
                    .hasMessageContaining("needs the sequence");
        }

        /** Ten minutes and two do not fit into five, the two alone do. */
        @Test
        void the_checks_ask_for_no_more_time_than_it_takes() {
            var whole = of(lesson(1, 1, Region.LOWER_LEG, Aim.TEACH, 5), "plan");
            var part = of(lesson(1, 1, Region.LOWER_LEG, Aim.TEACH, 5), "plan", "b", "c");
            assertThat(Terms.found(Terms.of(whole), palmtally.core.finding.Rule.of("TERM-SEQUENCE"), plan))
                    .anyMatch(f -> f.sentence().contains("needs"));
            assertThat(Terms.found(Terms.of(part), palmtally.core.finding.Rule.of("TERM-SEQUENCE"), plan))
                    .noneMatch(f -> f.sentence().contains("needs"));
        }

        @Test
        void it_covers_what_its_steps_cover() {
            var mixed = once(step("a"), step("b").with(Tool.FOREARM).deep(3));
            var term = Terms.of(of(lesson(1, Region.LOWER_LEG, Aim.TEACH), "plan", "b"));
            var used = Coverage.of(term, Map.of("plan", mixed), Profile.bySeconds()).cells().stream()
                    .filter(c -> !c.empty())
                    .map(Coverage.Cell::tool);
            assertThat(used).containsExactly(Tool.FOREARM);
        }
    }

    @Nested
    class ShownOfIt {
        private final palmtally.core.sequence.Sequence plan = once(
                step("a").seconds(60).inClass(30).side(palmtally.core.sequence.Sides.EACH),
                step("b").seconds(60).with(Tool.FOREARM).on(Zone.CALF, Zone.HAMSTRINGS));
        private final Curriculum term = Terms.of(
                of(lesson(1, Region.LOWER_LEG, Aim.TEACH), "plan"),
                of(lesson(2, Region.LOWER_LEG, Aim.PRACTISE), "plan"),
                of(lesson(3, Region.LOWER_LEG, Aim.TEACH), "plan", "b"));

        private ShownSoFar.Cell cell(List<ShownSoFar.Shown> shown, Region region, Tool tool) {
            return ShownSoFar.of(term, Map.of("plan", plan), shown).cells().stream()
                    .filter(c -> c.region() == region && c.tool() == tool)
                    .findFirst()
                    .orElseThrow();
        }

        /** By hand: 30 s on each side are announced once; practice shows nothing, and what is left is not announced twice. */
        @Test
        void the_lessons_that_teach_announce_class_doses() {
            assertThat(cell(List.of(), Region.LOWER_LEG, Tool.PALM).announced()).isEqualTo(60);
            assertThat(cell(List.of(), Region.LOWER_LEG, Tool.FOREARM).announced())
                    .isEqualTo(60);
            assertThat(cell(List.of(), Region.THIGH, Tool.FOREARM).announced()).isEqualTo(60);
            assertThat(cell(List.of(), Region.THIGH, Tool.FOREARM).seconds()).isZero();
        }

        @Test
        void demonstrations_add_up_and_open_to_what_was_shown_and_left_out() {
            var steps = plan.steps();
            var shown = List.of(
                    new ShownSoFar.Shown("d1", "plan", steps.get(0), 50),
                    new ShownSoFar.Shown("d1", "plan", steps.get(1), 0),
                    new ShownSoFar.Shown("d2", "plan", steps.get(1), 40));
            assertThat(cell(shown, Region.LOWER_LEG, Tool.PALM).seconds()).isEqualTo(50);
            assertThat(cell(shown, Region.LOWER_LEG, Tool.PALM).reached()).isEqualTo(50);
            var forearm = cell(shown, Region.LOWER_LEG, Tool.FOREARM);
            assertThat(forearm.seconds()).isEqualTo(40);
            assertThat(forearm.sources())
                    .containsExactly(
                            new ShownSoFar.Demonstrated("d1", 0, List.of(), List.of("b")),
                            new ShownSoFar.Demonstrated("d2", 40, List.of("b"), List.of()));
            assertThat(cell(shown, Region.THIGH, Tool.FOREARM).seconds()).isEqualTo(40);
        }

        /** By hand: a was shown for 100 s of its 60, b not at all: 60 of 120 are reached, and not 100. */
        @Test
        void a_step_that_ran_over_makes_up_for_no_other() {
            var two = once(step("a").seconds(60), step("b").seconds(60));
            var teach = Terms.of(of(lesson(1, Region.LOWER_LEG, Aim.TEACH), "plan"));
            var cell = ShownSoFar.of(
                            teach,
                            Map.of("plan", two),
                            List.of(new ShownSoFar.Shown(
                                    "d", "plan", two.steps().get(0), 100)))
                    .cells()
                    .get(0);
            assertThat(List.of(cell.seconds(), cell.announced(), cell.reached()))
                    .containsExactly(100.0, 120.0, 60.0);
        }

        @Test
        void what_was_shown_beside_the_plan_counts_too() {
            var extra = step("x").with(Tool.KNUCKLES).deep(4).step();
            var cell = cell(List.of(new ShownSoFar.Shown("d", "plan", extra, 20)), Region.LOWER_LEG, Tool.KNUCKLES);
            assertThat(cell.announced()).isZero();
            assertThat(cell.seconds()).isEqualTo(20);
        }
    }
}
