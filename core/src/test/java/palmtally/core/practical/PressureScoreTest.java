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
import palmtally.core.practical.event.Contact;
import palmtally.core.practical.event.Guarding;
import palmtally.core.practical.event.RateTap;
import palmtally.core.practical.event.ReportAnswer.Response;
import palmtally.core.practical.event.ReviewAnswer.Said;
import palmtally.core.practical.event.StrokeFault;
import palmtally.core.practical.event.StrokeFault.Flaw;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Plans;
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
    void a_report_inside_the_band_counts_whole_one_grade_under_it_half(int number, double credit) {
        assertThat(done(seen().at(10).report(number)).part(Criterion.PRESSURE, "reports"))
                .isEqualTo(credit);
    }

    @Nested
    class A_report_over_the_band {
        private double cost(Seen seen) {
            var off = done(seen).part(Criterion.PRESSURE, "taken off");
            return off == null ? 0 : -100 * off;
        }

        /** By hand: full up to 5 + 2 s, then a straight line down to nothing at 15 s; 15 points where two grades over, 7 where one. */
        @ParameterizedTest
        @CsvSource({"1, 0, 0", "7, 0, 0", "9, 3.75, 1.75", "11, 7.5, 3.5", "13, 11.25, 5.25", "15, 15, 7", "29, 15, 7"})
        void costs_by_how_late_it_is_answered(double late, double two, double one) {
            assertThat(cost(seen().at(10).report(8).at(10 + late).answers(Response.EASED)))
                    .isCloseTo(two, within(1e-9));
            assertThat(cost(seen().at(10).report(7).at(10 + late).answers(Response.EASED)))
                    .isCloseTo(one, within(1e-9));
        }

        @ParameterizedTest
        @EnumSource(value = Response.class, names = "NONE", mode = EnumSource.Mode.EXCLUDE)
        void may_be_answered_by_easing_broadening_slowing_or_stopping(Response response) {
            assertThat(cost(seen().at(10).report(8).at(12).answers(response))).isZero();
        }

        /** By hand: it is outside the mean of the reports, so that 5 alone counts; alone it leaves that part at a half. */
        @Test
        void that_is_eased_in_time_costs_nothing() {
            var eased = seen().at(5).report(5).at(10).report(8).at(12).answers(Response.EASED);
            assertThat(done(eased).score(Criterion.PRESSURE)).isEqualTo(100);
            assertThat(done(eased).findings(Rule.of("PRESS-BAND"))).isEmpty();
            var alone = seen().at(10).report(8).at(12).answers(Response.EASED);
            assertThat(done(alone).score(Criterion.PRESSURE)).isEqualTo(50);
        }

        @Test
        void with_no_answer_is_a_stop_and_with_a_late_one_a_warning() {
            var none = done(seen().at(10).report(8).at(14).answers(Response.NONE));
            assertThat(none.score(Criterion.PRESSURE)).isEqualTo(35);
            assertThat(none.findings(Rule.of("PRESS-ANSWER"))).singleElement().satisfies(f -> {
                assertThat(f.severity()).isEqualTo(Severity.STOP);
                assertThat(f.sentence()).isEqualTo("The client said 8 at 0:10 and nothing was done about it.");
                assertThat(f.evidence()).hasSize(2);
            });
            var late = done(seen().at(10).report(8).at(22).answers(Response.EASED));
            assertThat(late.findings(Rule.of("PRESS-ANSWER"))).singleElement().satisfies(f -> {
                assertThat(f.severity()).isEqualTo(Severity.WARN);
                assertThat(f.sentence()).contains("answered after 12 s, later than 7 s");
            });
        }

        /** An answer is to the reports of the half minute before it, and to none before that. */
        @Test
        void is_answered_within_half_a_minute_or_not_at_all() {
            assertThat(done(seen().at(10).report(8).at(41).answers(Response.EASED))
                            .findings(Rule.of("PRESS-ANSWER")))
                    .singleElement()
                    .satisfies(f -> assertThat(f.sentence()).endsWith("no answer was seen within 15 s."));
            assertThat(cost(seen().at(10).report(8).at(12).report(9).at(14).answers(Response.EASED)))
                    .isZero();
        }

        @Test
        void that_was_eased_after_all_counts_by_when_it_was_eased() {
            assertThat(cost(seen().at(10)
                            .report(8)
                            .at(12)
                            .answers(Response.NONE)
                            .at(21)
                            .answers(Response.EASED)))
                    .isCloseTo(7.5, within(1e-9));
        }

        /** Nobody saw whether it was answered: the next number on that step says it, and without one it is left out. */
        @Test
        void that_was_not_watched_is_judged_by_the_next_report_on_the_step() {
            assertThat(cost(seen().at(10).report(8).at(11).eyes(false))).isZero();
            assertThat(cost(seen().at(10).report(8).at(11).eyes(false).at(60).report(5)))
                    .isZero();
            var again = done(seen().at(10).report(8).at(11).eyes(false).at(60).report(7));
            assertThat(again.part(Criterion.PRESSURE, "taken off")).isCloseTo(-0.15, within(1e-9));
            assertThat(again.findings(Rule.of("PRESS-ANSWER")))
                    .singleElement()
                    .satisfies(f -> assertThat(f.sentence())
                            .isEqualTo("The client said 8 at 0:10 and it was over the band again at 1:00."));
        }

        /** Only watched time counts. By hand: 1 + 6 s are in time; 1 + 10 s earn (15 − 11) ÷ (15 − 7). */
        @Test
        void is_as_late_as_the_time_that_was_watched() {
            var away = seen().at(10).report(8).at(11).eyes(false).at(24).eyes(true);
            assertThat(cost(away.at(30).answers(Response.EASED))).isZero();
            var late = seen().at(10).report(8).at(11).eyes(false).at(24).eyes(true);
            assertThat(cost(late.at(34).answers(Response.EASED))).isCloseTo(7.5, within(1e-9));
        }

        /** Who never taps an answer may not watch for them: the grader says it. */
        @Test
        void without_any_answer_tapped_is_a_question() {
            var open = done(seen().at(10).report(8).at(20).report(5));
            var scored = open.scored(Criterion.PRESSURE);
            assertThat(scored.score()).isNull();
            assertThat(scored.why()).isEqualTo("1 question at review");
            assertThat(scored.questions()).extracting(Question::key).containsExactly("heard/answers");
            assertThat(open.findings(Rule.of("PRESS-ANSWER"))).isEmpty();
            var nothing = done(seen().at(10).report(8).at(20).report(5)).reviewed("heard/answers", Said.HEARD_NOTHING);
            assertThat(nothing.score(Criterion.PRESSURE)).isEqualTo(85);
            var away = done(seen().at(10).report(8).at(20).report(5)).reviewed("heard/answers", Said.NOT_LISTENING);
            assertThat(away.score(Criterion.PRESSURE)).isEqualTo(100);
        }

        @Test
        void may_be_the_client_guarding() {
            var guarded = done(
                    seen().at(5).report(5).at(10).tap(new Guarding()).at(12).answers(Response.NONE));
            assertThat(guarded.score(Criterion.PRESSURE)).isEqualTo(85);
            assertThat(guarded.findings(Rule.of("PRESS-ANSWER")))
                    .singleElement()
                    .satisfies(f -> assertThat(f.sentence()).startsWith("The client guarded at 0:10"));
        }

        /** A later answer never raises the score: tried over random runs. */
        @Test
        void never_costs_less_by_a_later_answer() {
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
    class Depth {
        /** The step asks 4. */
        @ParameterizedTest
        @CsvSource({"4, 1", "3, 0.5", "5, 0.5", "2, 0", "1, 0"})
        void that_was_seen_counts_by_its_distance_from_the_plan(int depth, double credit) {
            var seen = done(seen().at(10).touches(Zone.HAMSTRINGS, depth));
            assertThat(seen.part(Criterion.PRESSURE, "depth")).isEqualTo(credit);
            assertThat(seen.findings(Rule.of("PRESS-DEPTH"))).hasSize(credit == 1 ? 0 : 1);
        }

        @ParameterizedTest
        @EnumSource(
                value = Flaw.class,
                names = {"TOO_LIGHT", "TOO_DEEP"})
        void that_is_only_said_to_be_off_is_off_by_one(Flaw flaw) {
            var seen = done(seen().at(10).tap(new StrokeFault(flaw)));
            assertThat(seen.part(Criterion.PRESSURE, "depth")).isEqualTo(0.5);
            assertThat(seen.findings(Rule.of("PRESS-DEPTH")))
                    .singleElement()
                    .satisfies(f -> assertThat(f.sentence()).contains(flaw.label()));
        }

        @Test
        void that_nobody_gave_is_not_evidence() {
            assertThat(done(seen()).scored(Criterion.PRESSURE).score()).isNull();
        }

        /** By hand: three of five two grades off, good numbers beside: (1 + 0.4) ÷ 2 is 70, and 49 is the most. */
        @Test
        void of_light_hands_is_not_made_right_by_a_polite_client() {
            var light = seen();
            for (int i = 0; i < 5; i++) light.at(10 + i).touches(Zone.HAMSTRINGS, i < 3 ? 1 : 4);
            for (int i = 0; i < 5; i++) light.at(20 + i).report(5);
            assertThat(done(light).score(Criterion.PRESSURE)).isEqualTo(49);
            var half = seen();
            for (int i = 0; i < 6; i++) half.at(10 + i).touches(Zone.HAMSTRINGS, i < 3 ? 1 : 4);
            for (int i = 0; i < 6; i++) half.at(20 + i).report(5);
            assertThat(done(half).score(Criterion.PRESSURE)).isCloseTo(75, within(1e-9));
        }

        /** By hand: three looks too light, tapped as such: (1 + ½) ÷ 2 is 75, and 59 is the most. */
        @Test
        void that_is_mostly_too_light_is_at_most_59() {
            var light = seen();
            for (int i = 0; i < 3; i++)
                light.at(10 + i).tap(new StrokeFault(Flaw.TOO_LIGHT)).at(20 + i).report(5);
            assertThat(done(light).score(Criterion.PRESSURE)).isEqualTo(59);
            var mixed = seen();
            for (var flaw : new Flaw[] {Flaw.TOO_LIGHT, Flaw.TOO_LIGHT, Flaw.TOO_DEEP, Flaw.TOO_DEEP})
                mixed.at(10).tap(new StrokeFault(flaw)).at(20).report(5);
            assertThat(done(mixed).score(Criterion.PRESSURE)).isCloseTo(75, within(1e-9));
        }
    }

    /** Each step begins at 8 and is eased at once: by hand all else is well, and 59 is the most; two of four are not more than half. */
    @ParameterizedTest
    @CsvSource({"4, 4, 59", "4, 3, 59", "4, 2, 100", "3, 3, 59", "2, 2, 100"})
    void who_begins_every_step_over_the_band_is_capped(int steps, int over, double score) {
        var made = new Plans.Made[steps];
        for (int i = 0; i < steps; i++)
            made[i] = step("s" + i)
                    .on(Zone.HAMSTRINGS)
                    .deep(4)
                    .phase(Phase.TREAT)
                    .seconds(60)
                    .band(4, 6);
        var seen = Seen.of(once(made)).sides(Sides.RIGHT);
        for (int i = 0; i < steps; i++) {
            seen.at(60 * i).starts("s" + i, Side.RIGHT).at(60 * i + 5).report(i < over ? 8 : 5);
            if (i < over) seen.at(60 * i + 7).answers(Response.EASED);
            seen.at(60 * i + 30).report(5);
        }
        assertThat(seen.at(60 * steps).finish().score(Criterion.PRESSURE)).isEqualTo(score);
    }

    @Nested
    class Touch {
        /** By hand: the back of the knee takes 1, so that 3 is two grades over; what is seen is one grade off the plan: 50 − 20. */
        @Test
        void over_a_sites_ceiling_costs_ten_a_grade() {
            var seen = done(seen().at(10).touches(Zone.KNEE_BACK, 3));
            assertThat(seen.score(Criterion.PRESSURE)).isEqualTo(30);
            assertThat(seen.findings(Rule.of("PRESS-CEILING")))
                    .singleElement()
                    .satisfies(f -> assertThat(f.severity()).isEqualTo(Severity.STOP));
        }

        @Test
        void of_a_forbidden_site_is_critical() {
            assertThat(done(seen().at(10).touches(Zone.SPINE, 2)).scores().critical())
                    .hasSize(1);
            assertThat(done(seen().at(10).tap(Contact.on(Zone.SPINE))).scores().critical())
                    .hasSize(1);
            assertThat(done(seen().at(10).touches(Zone.SPINE, 0)).scores().critical())
                    .isEmpty();
        }

        @Test
        void over_the_limit_of_an_unlisted_site_is_a_hint() {
            assertThat(done(seen().at(10).touches(Zone.UPPER_BACK, 5)).findings(Rule.of("PRESS-CEILING")))
                    .singleElement()
                    .satisfies(f -> assertThat(f.severity()).isEqualTo(Severity.HINT));
        }
    }

    @Nested
    class Enough {
        private final Sequence four = once(
                step("a").on(Zone.HAMSTRINGS).seconds(60),
                step("b").on(Zone.HAMSTRINGS).seconds(60),
                step("c").on(Zone.HAMSTRINGS).seconds(60),
                step("d").on(Zone.HAMSTRINGS).seconds(60));

        private Seen run(int steps, int reports) {
            var seen = Seen.of(four).sides(Sides.RIGHT);
            for (int i = 0; i < steps; i++) seen.at(60 * i).starts(String.valueOf((char) ('a' + i)), Side.RIGHT);
            for (int i = 0; i < reports; i++) seen.at(1 + i).report(2);
            return seen.at(60 * steps).finish();
        }

        /** Four reports or depths, or as many as steps were done where that is fewer; half of them in a part. */
        @ParameterizedTest
        @CsvSource({
            "4, 4, false, true",
            "4, 3, false, false",
            "3, 3, false, true",
            "4, 2, true, true",
            "4, 1, true, false"
        })
        void is_four_or_what_fell_due(int steps, int reports, boolean part, boolean scored) {
            var practical = run(steps, reports).practical().of(part ? Extent.PART : Extent.WHOLE);
            var pressure = Scores.of(practical).get(Criterion.PRESSURE);
            assertThat(pressure.score() != null).isEqualTo(scored);
            if (!scored) assertThat(pressure.why()).startsWith("too little seen: " + reports + " of ");
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
        for (int i = 0; i < 6; i++) seen.at(5 + i * apart).tap(new RateTap());
        assertThat(seen.at(60).finish().part(Criterion.PRESSURE, "rate")).isEqualTo(credit);
    }

    /** By hand: the depth ½ at weight .3, friction too fast 0 at .1, the rest unseen: .15 ÷ .4. */
    @Test
    void parts_without_evidence_are_left_out_of_the_mean() {
        var seen = done(seen().at(10).touches(Zone.HAMSTRINGS, 3).at(20).tap(new StrokeFault(Flaw.TOO_FAST)));
        assertThat(seen.part(Criterion.PRESSURE, "holds")).isNull();
        assertThat(seen.part(Criterion.PRESSURE, "rate")).isZero();
        assertThat(seen.score(Criterion.PRESSURE)).isCloseTo(37.5, within(1e-9));
        assertThat(seen.scored(Criterion.PRESSURE).observations()).isEqualTo(1);
    }

    /** Where the table has no rate the plan's own counts, a fifth around it, and half within a quarter of that: 1 a second, 0.8 to 1.2. */
    @ParameterizedTest
    @CsvSource({"1.0, 1", "0.8333333, 1", "1.25, 1", "0.75, 0.5", "1.6, 0.5", "0.6, 0", "1.8, 0"})
    void a_rate_that_only_the_plan_asks_is_held_to_it(double apart, double credit) {
        var plan =
                once(step("f").technique("rocking").on(Zone.HAMSTRINGS).deep(2).dose(Dose.cycles(30, 1)));
        var seen = Seen.of(plan).sides(Sides.RIGHT).at(0).starts("f", Side.RIGHT);
        for (int i = 0; i < 4; i++) seen.at(10 + i * apart).tap(new RateTap());
        assertThat(seen.at(60).finish().part(Criterion.PRESSURE, "rate")).isEqualTo(credit);
    }

    /** A hand that is found too light and one that is found too deep are told apart, and what mends them. */
    @Test
    void too_light_and_too_deep_are_told_as_what_they_are() {
        var seen =
                done(seen().at(10).tap(new StrokeFault(Flaw.TOO_LIGHT)).at(20).tap(new StrokeFault(Flaw.TOO_DEEP)));
        assertThat(seen.findings(Rule.of("PRESS-DEPTH")))
                .extracting(f -> f.sentence())
                .containsExactly(
                        "“Step f” was too light at 0:10; the plan asks depth 4.",
                        "“Step f” was too deep at 0:20; the plan asks depth 4.");
        assertThat(seen.findings(Rule.of("PRESS-DEPTH")).get(0).remedy()).startsWith("Sink in");
        assertThat(seen.findings(Rule.of("PRESS-DEPTH")).get(1).remedy()).startsWith("Ease");
    }

    /** Three steps planned at 3 and worked at 1 are light hands; at 2 they are not, and neither are steps planned at 2. */
    @ParameterizedTest
    @CsvSource({"3, 1, 49", "4, 2, 49", "3, 2, 75", "2, 0, 50"})
    void light_hands_are_two_grades_off_where_three_are_planned(int planned, int seen, double score) {
        var steps = new Plans.Made[3];
        for (int i = 0; i < 3; i++)
            steps[i] = step("s" + i)
                    .on(Zone.HAMSTRINGS)
                    .deep(planned)
                    .phase(Phase.TREAT)
                    .seconds(60)
                    .band(4, 6);
        var run = Seen.of(once(steps)).sides(Sides.RIGHT);
        for (int i = 0; i < 3; i++)
            run.at(60 * i)
                    .starts("s" + i, Side.RIGHT)
                    .at(60 * i + 10)
                    .report(5)
                    .at(60 * i + 20)
                    .touches(Zone.HAMSTRINGS, seen);
        // By hand: reports whole, depth by a grade off a half: half of each; at most 49 or, all too light, 59.
        assertThat(run.at(180).finish().score(Criterion.PRESSURE)).isCloseTo(score, within(1e-9));
    }
}
