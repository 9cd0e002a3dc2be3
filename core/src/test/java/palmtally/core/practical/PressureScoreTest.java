package palmtally.core.practical;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.Random;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.practical.EventData.Response;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sides;
import palmtally.core.technique.Dose;
import palmtally.core.technique.Tool;

class PressureScoreTest {
    /** A firm step whose reports should stay at 4–6, ten minutes long. */
    private static final Sequence PLAN = once(step("f")
            .on(Zone.HAMSTRINGS)
            .deep(4)
            .phase(Phase.TREAT)
            .seconds(600)
            .band(4, 6));

    private static Seen seen() {
        return Seen.of(PLAN).sides(Sides.RIGHT).at(0).starts("f", Side.RIGHT);
    }

    private static Seen done(Seen seen) {
        return seen.at(600).finish();
    }

    @ParameterizedTest
    @CsvSource({"5, 1", "4, 1", "6, 1", "3, 0.5", "2, 0", "0, 0"})
    void a_report_inside_the_band_counts_whole_one_grade_outside_half(int number, double credit) {
        assertThat(done(seen().at(10).report(number)).part(Criterion.PRESSURE, "reports"))
                .isEqualTo(credit);
    }

    @Nested
    class A_report_over_the_band {
        /** By hand: full up to 5 + 2 s, then a straight line down to nothing at 15 s. */
        @ParameterizedTest
        @CsvSource({"1, 1", "7, 1", "9, 0.75", "11, 0.5", "13, 0.25", "15, 0"})
        void earns_by_how_soon_it_is_answered(double late, double credit) {
            var seen = done(seen().at(10).report(8).at(10 + late).answers(Response.EASED));
            assertThat(seen.part(Criterion.PRESSURE, "answers")).isCloseTo(credit, within(1e-9));
        }

        @ParameterizedTest
        @EnumSource(value = Response.class, names = "NONE", mode = EnumSource.Mode.EXCLUDE)
        void may_be_answered_by_easing_broadening_slowing_or_stopping(Response response) {
            assertThat(done(seen().at(10).report(8).at(12).answers(response)).part(Criterion.PRESSURE, "answers"))
                    .isEqualTo(1);
        }

        @Test
        void that_is_eased_in_time_costs_nothing_so_that_asking_is_never_punished() {
            assertThat(done(seen().at(10).report(8).at(12).answers(Response.EASED))
                            .score(Criterion.PRESSURE))
                    .isEqualTo(100);
        }

        @Test
        void is_forgiven_once_a_step() {
            var twice = seen().at(10).report(8).at(12).answers(Response.EASED);
            twice.at(60).report(8).at(62).answers(Response.EASED);
            assertThat(done(twice).part(Criterion.PRESSURE, "reports")).isEqualTo(0.5);
        }

        @Test
        void with_no_answer_is_a_stop_finding() {
            var none = done(seen().at(10).report(8).at(14).answers(Response.NONE));
            assertThat(none.part(Criterion.PRESSURE, "answers")).isZero();
            assertThat(none.findings(Rule.PRESS_ANSWER)).singleElement().satisfies(f -> {
                assertThat(f.severity()).isEqualTo(Severity.STOP);
                assertThat(f.evidence()).hasSize(2);
            });
        }

        @Test
        void is_not_judged_while_the_grader_looked_away() {
            var away = done(seen().at(10).report(8).at(11).eyes(false));
            assertThat(away.part(Criterion.PRESSURE, "answers")).isNull();
        }

        /** Sixteen seconds late, and seen although the eyes were elsewhere in between: too late is worth nothing, not unknown. */
        @Test
        void that_was_seen_answered_too_late_counts_as_such() {
            var late = seen().at(10).report(8).at(11).eyes(false).at(26).answers(Response.EASED);
            assertThat(done(late).part(Criterion.PRESSURE, "answers")).isZero();
        }

        /** A later answer never raises the score: tried over random runs. */
        @Test
        void never_earns_more_by_a_later_answer() {
            var random = new Random(3);
            for (int i = 0; i < 300; i++) {
                double early = random.nextDouble() * 16;
                double late = early + random.nextDouble() * 8;
                int number = 7 + random.nextInt(4);
                assertThat(done(seen().at(20).report(number).at(20 + late).answers(Response.SLOWER))
                                .score(Criterion.PRESSURE))
                        .isLessThanOrEqualTo(
                                done(seen().at(20).report(number).at(20 + early).answers(Response.SLOWER))
                                        .score(Criterion.PRESSURE));
            }
        }
    }

    @Nested
    class Touch {
        @Test
        void that_nobody_gave_a_depth_is_not_evidence() {
            assertThat(done(seen()).scored(Criterion.PRESSURE).score()).isNull();
        }

        @Test
        void over_a_sites_ceiling_counts_against_it() {
            var seen = done(seen().at(10).touches(Zone.KNEE_BACK, 3).at(20).touches(Zone.HAMSTRINGS, 5));
            assertThat(seen.part(Criterion.PRESSURE, "ceilings")).isEqualTo(0.5);
            assertThat(seen.findings(Rule.PRESS_CEILING))
                    .singleElement()
                    .satisfies(f -> assertThat(f.severity()).isEqualTo(Severity.STOP));
        }

        @Test
        void of_a_forbidden_site_is_critical() {
            assertThat(done(seen().at(10).touches(Zone.SPINE, 2)).scores().critical())
                    .hasSize(1);
        }

        @Test
        void over_the_limit_of_an_unlisted_site_is_a_hint() {
            assertThat(done(seen().at(10).touches(Zone.UPPER_BACK, 5)).findings(Rule.PRESS_CEILING))
                    .singleElement()
                    .satisfies(f -> assertThat(f.severity()).isEqualTo(Severity.HINT));
        }
    }

    /** The window of a trigger point on the shoulder blade is 8–10 s (common practice, no source); a quarter around it is half. */
    @ParameterizedTest
    @CsvSource({"9, 1", "8, 1", "10, 1", "6.5, 0.5", "12.4, 0.5", "5, 0", "13, 0"})
    void a_hold_counts_whole_inside_its_window_and_half_within_a_quarter(double seconds, double credit) {
        var plan = once(step("p")
                .technique("trigger-point")
                .with(Tool.SUPPORTED_THUMB)
                .on(Zone.SHOULDER_BLADE)
                .deep(4)
                .phase(Phase.TREAT)
                .dose(Dose.holds(3, 9)));
        var seen = Seen.of(plan)
                .sides(Sides.RIGHT)
                .at(0)
                .starts("p", Side.RIGHT)
                .at(2)
                .holds(seconds)
                .at(60)
                .finish();
        assertThat(seen.part(Criterion.PRESSURE, "holds")).isEqualTo(credit);
    }

    /** 1–2 cycles a second (common practice, no source): taps ½ s apart are 2 a second, 0.45 s apart 2.22, 0.3 s apart 3.33. */
    @ParameterizedTest
    @CsvSource({"0.5, 1", "1, 1", "0.45, 0.5", "0.3, 0", "1.2, 0.5", "2, 0"})
    void the_rate_of_friction_comes_from_the_taps(double apart, double credit) {
        var plan = once(step("c")
                .technique("cross-fibre")
                .with(Tool.SUPPORTED_THUMB)
                .on(Zone.ACHILLES)
                .deep(3)
                .phase(Phase.TREAT)
                .dose(Dose.cycles(90, 1.5)));
        var seen = Seen.of(plan).sides(Sides.RIGHT).at(0).starts("c", Side.RIGHT);
        for (int i = 0; i < 6; i++) seen.at(5 + i * apart).tap(EventKind.RATE_TAP, d -> {});
        assertThat(seen.at(60).finish().part(Criterion.PRESSURE, "rate")).isEqualTo(credit);
    }

    /** By hand: reports ½ at weight .3, answers ½ at .25, the rest unseen: (.15 + .125) ÷ .55. */
    @Test
    void parts_without_evidence_are_left_out_of_the_mean() {
        var seen = seen().at(10).report(5).at(60).report(8).at(71).answers(Response.EASED);
        assertThat(done(seen).part(Criterion.PRESSURE, "holds")).isNull();
        assertThat(done(seen).score(Criterion.PRESSURE)).isCloseTo(100 * (.3 * .5 + .25 * .5) / .55, within(1e-9));
        assertThat(done(seen).scored(Criterion.PRESSURE).observations()).isEqualTo(3);
    }
}
