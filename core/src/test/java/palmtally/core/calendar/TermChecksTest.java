package palmtally.core.calendar;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static palmtally.core.calendar.Terms.found;
import static palmtally.core.calendar.Terms.lesson;
import static palmtally.core.calendar.Terms.mend;
import static palmtally.core.calendar.Terms.whole;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import palmtally.core.InvalidValue;
import palmtally.core.body.Position;
import palmtally.core.body.Region;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Template;
import palmtally.core.technique.Tool;

/** Checks on a term: raised, not raised, and mended (common practice, no source). */
class TermChecksTest {
    private static final Profile A = Profile.bySeconds();

    private static Sequence sequence(String id, Region region, double slot, Zone zone) {
        return Template.PROTOCOL.sequence(id, id, region, slot, List.of(zone), A);
    }

    private static final Sequence CALVES = sequence("calves", Region.LOWER_LEG, 1200, Zone.CALF);
    private static final Sequence THROAT = sequence("throat", Region.NECK, 1200, Zone.STRAP_MUSCLE);
    private static final Sequence NAPE = sequence("nape", Region.NECK, 1200, Zone.NECK_BACK);

    private static Curriculum full(int minutes) {
        return Terms.of(lesson(2, 1, Region.NECK, Aim.TEACH, 60), lesson(2, 1, Region.NECK, Aim.PRACTISE, minutes));
    }

    private static Curriculum target(double hours) {
        return new Curriculum(
                "t", "Term", 8, 2, 120, hours, Map.of(), Set.of(), List.of(lesson(1, Region.NECK, Aim.TEACH)));
    }

    private static Curriculum showing(String sequence, double minutes, Aim aim) {
        return Terms.of(lesson(1, 1, Region.LOWER_LEG, aim, minutes).showing(sequence));
    }

    record Case(Rule rule, Curriculum faulted, Curriculum clean, boolean mended, List<Sequence> with) {
        @Override
        public String toString() {
            return rule.toString() + (mended ? ", mended" : "");
        }
    }

    private static List<Lesson> legs(int count, int hipWeek) {
        var lessons = new ArrayList<Lesson>();
        for (int w = 1; w <= count; w++) lessons.add(lesson(w, Region.THIGH, w == 1 ? Aim.TEACH : Aim.PRACTISE));
        lessons.add(lesson(hipWeek, 2, Region.HIP, Aim.TEACH, 30));
        lessons.add(lesson(hipWeek, 2, Region.HIP, Aim.PRACTISE, 30));
        return lessons;
    }

    static Stream<Case> cases() {
        var jawFirst = new ArrayList<>(List.of(lesson(1, Region.JAW, Aim.TEACH), lesson(4, Region.NECK, Aim.TEACH)));
        var neckFirst = List.of(lesson(1, Region.NECK, Aim.TEACH), lesson(4, Region.JAW, Aim.TEACH));
        return Stream.of(
                new Case(
                        Rule.of("TERM-TAUGHT"),
                        Terms.of(lesson(2, Region.NECK, Aim.ASSESS), lesson(3, Region.NECK, Aim.TEACH)),
                        Terms.of(lesson(2, Region.NECK, Aim.TEACH), lesson(3, Region.NECK, Aim.ASSESS)),
                        true,
                        List.of()),
                new Case(
                        Rule.of("TERM-TAUGHT"),
                        Terms.of(lesson(2, Region.NECK, Aim.PRACTISE)),
                        Terms.of(lesson(2, Region.NECK, Aim.TEACH), lesson(2, Region.NECK, Aim.PRACTISE)),
                        true,
                        List.of()),
                new Case(
                        Rule.of("TERM-PRACTISED"),
                        Terms.of(lesson(1, Region.NECK, Aim.TEACH), lesson(3, Region.NECK, Aim.ASSESS)),
                        Terms.of(
                                lesson(1, Region.NECK, Aim.TEACH),
                                lesson(2, Region.NECK, Aim.PRACTISE),
                                lesson(3, Region.NECK, Aim.ASSESS)),
                        true,
                        List.of()),
                new Case(
                        Rule.of("TERM-ASSESSED"),
                        Terms.of(lesson(1, Region.NECK, Aim.TEACH), lesson(1, 2, Region.NECK, Aim.PRACTISE, 30)),
                        Terms.of(whole(Region.NECK, 1, 1, 2)),
                        true,
                        List.of()),
                // Too few meetings.
                new Case(
                        Rule.of("TERM-AGAIN"),
                        Terms.of(whole(Region.NECK, 1, 1, 2)),
                        Terms.of(whole(Region.NECK, 1, 1, 2, 3)),
                        true,
                        List.of()),
                // A gap shorter than the one before.
                new Case(
                        Rule.of("TERM-AGAIN"),
                        Terms.of(whole(Region.NECK, 1, 1, 2, 1)),
                        Terms.of(whole(Region.NECK, 1, 1, 2, 3)),
                        true,
                        List.of()),
                // Not met for longer than the profile allows.
                new Case(
                        Rule.of("TERM-AGAIN"),
                        Terms.of(whole(Region.NECK, 1, 6)),
                        Terms.of(whole(Region.NECK, 1, 1, 2, 3)),
                        false,
                        List.of()),
                new Case(Rule.of("TERM-FULL"), full(75), full(60), true, List.of()),
                new Case(
                        Rule.of("TERM-FULL"),
                        new Curriculum("t", "T", 8, 2, 120, 0, Map.of(), Set.of(2), full(60).lessons()),
                        new Curriculum("t", "T", 8, 2, 120, 0, Map.of(), Set.of(3), full(60).lessons()),
                        false,
                        List.of()),
                new Case(Rule.of("TERM-HOURS"), target(0.75), target(0.5), false, List.of()),
                new Case(
                        Rule.of("TERM-SEQUENCE"),
                        showing("calves", 5, Aim.PRACTISE),
                        showing("calves", 90, Aim.PRACTISE),
                        true,
                        List.of(CALVES)),
                new Case(
                        Rule.of("TERM-SEQUENCE"),
                        showing("nowhere", 60, Aim.TEACH),
                        showing("calves", 60, Aim.TEACH),
                        false,
                        List.of(CALVES)),
                new Case(
                        Rule.of("TERM-SEQUENCE"),
                        Terms.of(lesson(1, 1, Region.LOWER_LEG, Aim.TEACH, 60)),
                        showing("calves", 60, Aim.TEACH),
                        true,
                        List.of(CALVES)),
                new Case(
                        Rule.of("TERM-PREREQ/jaw-after-neck"),
                        Terms.of(jawFirst),
                        Terms.of(neckFirst),
                        true,
                        List.of()),
                new Case(
                        Rule.of("TERM-PREREQ/jaw-after-neck"),
                        Terms.of(lesson(2, Region.JAW, Aim.TEACH)),
                        Terms.of(neckFirst),
                        true,
                        List.of()),
                new Case(
                        Rule.of("TERM-PREREQ/front-after-back-of-neck"),
                        Terms.of(
                                lesson(1, Region.NECK, Aim.TEACH).showing("throat"),
                                lesson(3, Region.NECK, Aim.PRACTISE).showing("nape")),
                        Terms.of(
                                lesson(1, Region.NECK, Aim.TEACH).showing("nape"),
                                lesson(3, Region.NECK, Aim.PRACTISE).showing("throat")),
                        false,
                        List.of(THROAT, NAPE)),
                new Case(
                        Rule.of("TERM-PREREQ/gluteal-after-drapes"),
                        Terms.of(legs(4, 2)),
                        Terms.of(legs(4, 5)),
                        true,
                        List.of()));
    }

    @ParameterizedTest
    @MethodSource("cases")
    void is_raised_only_where_it_is_wrong_and_its_mend_removes_it(Case c) {
        var with = c.with.toArray(Sequence[]::new);
        assertThat(found(c.clean, c.rule, with)).isEmpty();
        var finding = found(c.faulted, c.rule, with);
        assertThat(finding).isNotEmpty();
        assertThat(finding.get(0).sentence()).endsWith(".");
        assertThat(finding.get(0).remedy()).endsWith(".");
        if (!c.mended) return;
        var mended = mend(finding.get(0)).mended();
        var keys = found(mended, c.rule, with).stream().map(TermFinding::key).toList();
        assertThat(keys).doesNotContain(finding.get(0).key());
        assertThat(stops(mended, c.with)).isLessThanOrEqualTo(stops(c.faulted, c.with));
        assertThat(mended.lessons().size())
                .isGreaterThanOrEqualTo(c.faulted.lessons().size());
    }

    private static long stops(Curriculum term, List<Sequence> with) {
        return TermChecks.run(term, with, A).findings().stream()
                .filter(f -> f.severity() == Severity.STOP)
                .count();
    }

    @ParameterizedTest
    @MethodSource("cases")
    void is_silent_when_it_is_off(Case c) {
        var off = A.withSeverities(Map.of(c.rule, Severity.OFF));
        assertThat(found(c.faulted, c.rule, off, c.with.toArray(Sequence[]::new)))
                .isEmpty();
    }

    @Test
    void every_rule_of_a_term_has_a_case() {
        var tried = new ArrayList<>(cases().map(Case::rule).distinct().toList());
        tried.add(Rule.of("TERM-COVER"));
        assertThat(tried).containsExactlyInAnyOrderElementsOf(TermChecks.rules());
        assertThat(TermChecks.rules()).allMatch(Rule::ofTerm);
    }

    @Test
    void the_two_shipped_profiles_disagree_about_the_same_term() {
        // Two meetings after teaching are enough for B, A asks for three; the gaps 1 and 1 grow for neither but B lets
        // them be.
        var term = Terms.of(whole(Region.NECK, 1, 1, 1));
        assertThat(found(term, Rule.of("TERM-AGAIN"), A)).hasSize(2);
        assertThat(found(term, Rule.of("TERM-AGAIN"), Profile.byResponse())).isEmpty();
    }

    @Nested
    class growing_gaps {
        @ParameterizedTest
        @CsvSource({"1, 1.2, 2", "2, 1.2, 3", "3, 1.2, 4", "5, 1.2, 5", "2, 1, 2", "2, 2, 4", "4, 2, 5"})
        void grow_by_the_factor_rounded_up_but_never_beyond_the_longest(int gap, double growth, int next) {
            assertThat(LessonChecks.next(gap, growth, 5)).isEqualTo(next);
        }

        @ParameterizedTest
        @CsvSource({"1, 8, 3", "7, 8, 1", "8, 8, 0", "1, 2, 1", "1, 15, 4"})
        void a_region_taught_late_is_asked_for_no_more_than_fits(int week, int weeks, int fit) {
            // From week 1 of 15: weeks 2, 4, 7, 11; the next gap is 5 and week 16 is outside.
            assertThat(LessonChecks.room(week, weeks, 1.2, 5)).isEqualTo(fit);
        }
    }

    @Nested
    class coverage {
        private final Curriculum term = Terms.of(
                lesson(1, Region.LOWER_LEG, Aim.TEACH).showing("calves"),
                lesson(2, Region.LOWER_LEG, Aim.PRACTISE).showing("calves"));
        private final Coverage map = Coverage.of(term, Map.of("calves", CALVES), A);

        @Test
        void a_cell_says_how_far_each_criterion_got_and_by_which_steps() {
            var palm = map.cells().stream()
                    .filter(c ->
                            c.tool() == Tool.PALM && c.position() == Position.PRONE && c.region() == Region.LOWER_LEG)
                    .findFirst()
                    .orElseThrow();
            assertThat(palm.reach().get(Criterion.PRESSURE)).isEqualTo(Aim.PRACTISE);
            assertThat(palm.sources())
                    .extracting(Coverage.Source::lesson)
                    .containsExactly("lower-leg-teach-1.1", "lower-leg-practise-2.1");
            double byHand = CALVES.steps().stream()
                    .filter(s -> s.tool() == Tool.PALM && s.position() == Position.PRONE && s.depth() > 0)
                    .filter(s -> s.zones().stream().anyMatch(z -> z.region() == Region.LOWER_LEG))
                    .mapToDouble(s -> s.dose().totalSeconds())
                    .sum();
            assertThat(palm.seconds()).isGreaterThanOrEqualTo(2 * byHand);
        }

        @Test
        void the_gaps_are_expected_and_empty_and_no_pointed_tool_is_expected_where_a_site_wants_a_broad_one() {
            assertThat(map.gaps()).isNotEmpty().allMatch(c -> c.expected() && c.empty());
            var knee = Coverage.of(Terms.of(lesson(1, Region.KNEE, Aim.TEACH)), Map.of(), A);
            assertThat(knee.cells()).noneMatch(c -> c.tool().pointed());
        }

        @Test
        void the_elbow_is_expected_only_where_the_school_uses_it() {
            assertThat(expectsElbow(A)).isTrue();
            assertThat(expectsElbow(Profile.byResponse())).isFalse();
        }

        private boolean expectsElbow(Profile profile) {
            return Coverage.of(Terms.of(lesson(1, Region.HIP, Aim.TEACH)), Map.of(), profile).cells().stream()
                    .anyMatch(c -> c.tool() == Tool.ELBOW && c.expected());
        }

        @Test
        void what_a_region_never_meets_is_a_hint() {
            var hint = found(term, Rule.of("TERM-COVER"), CALVES);
            assertThat(hint).hasSize(1);
            assertThat(hint.get(0).severity()).isEqualTo(Severity.HINT);
            assertThat(hint.get(0).sentence()).contains("never worked with");
            assertThat(found(Terms.of(lesson(1, Region.NECK, Aim.TEACH)), Rule.of("TERM-COVER")))
                    .isEmpty();
        }
    }

    @Test
    void every_fault_of_a_curriculum_is_found_at_once() {
        Supplier<Curriculum> bad = () -> new Curriculum(
                "",
                "Term",
                4,
                9,
                0,
                -1,
                Map.of(Region.NECK, -2.0),
                Set.of(7),
                List.of(lesson(5, Region.NECK, Aim.TEACH), lesson(5, Region.NECK, Aim.TEACH)));
        assertThatThrownBy(bad::get)
                .isInstanceOfSatisfying(
                        InvalidValue.class,
                        e -> assertThat(e.faults())
                                .extracting(InvalidValue.Fault::field)
                                .contains(
                                        "id",
                                        "labsAWeek",
                                        "labMinutes",
                                        "targetHours",
                                        "regionHours/neck",
                                        "off",
                                        "lessons/0/week",
                                        "lessons/1/id"));
        assertThatThrownBy(() -> lesson(1, 1, Region.NECK, Aim.TEACH, 481))
                .isInstanceOf(InvalidValue.class)
                .hasMessageContaining("minutes must be above 0 and at most 480");
    }
}
