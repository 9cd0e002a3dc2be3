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
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.practical.EventData.ConsentAnswer;
import palmtally.core.practical.EventData.Drape;
import palmtally.core.practical.EventData.Style;
import palmtally.core.profile.MechanicsFault;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;
import palmtally.core.technique.Dose;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Tool;

/** Body mechanics, client communication and draping, by hand-computed cases. */
class OtherScoresTest {
    private static final Sequence CALF = once(step("c").on(Zone.CALF).seconds(600));

    private static Seen calf() {
        return Seen.of(CALF).sides(Sides.RIGHT).at(0).starts("c", Side.RIGHT);
    }

    @Nested
    class Mechanics {
        /** By hand: 1, 1 − ½, 1 − 1, max(0, 1 − 2) over four looks. */
        @Test
        void is_the_weighted_clean_share_of_the_looks_asked_for() {
            var seen = calf().at(20).looks().at(40).looks(MechanicsFault.DROPPED_HEAD);
            seen.at(60).looks(MechanicsFault.LEANING).at(80).looks(MechanicsFault.TWISTED, MechanicsFault.BENT_WAIST);
            assertThat(seen.at(100).finish().score(Criterion.MECHANICS)).isEqualTo(37.5);
        }

        @Test
        void does_not_count_what_was_noticed_in_between_but_says_it() {
            var seen = calf().at(20)
                    .looks()
                    .at(25)
                    .notes(MechanicsFault.LEANING)
                    .at(30)
                    .finish();
            assertThat(seen.score(Criterion.MECHANICS)).isEqualTo(100);
            assertThat(seen.findings(Rule.MECH_LOOK)).hasSize(1);
        }

        /** A balance test is a finding, no sample: it moves no score. */
        @Test
        void says_when_the_balance_goes_with_the_front_foot_up() {
            var seen = calf().at(20).looks().at(30).tap(EventKind.BALANCE_TEST, d -> d.clear(false));
            seen.at(40).tap(EventKind.BALANCE_TEST, d -> d.clear(true)).at(60).finish();
            assertThat(seen.findings(Rule.MECH_BALANCE)).hasSize(1);
            assertThat(seen.score(Criterion.MECHANICS)).isEqualTo(100);
        }

        @Test
        void without_a_look_is_not_observed() {
            assertThat(calf().at(30).finish().scored(Criterion.MECHANICS).score())
                    .isNull();
        }

        /** 31 s in a row, and all of the hands-on time: both limits of profile A. */
        @Test
        void a_bare_thumb_too_long_is_a_finding() {
            var seen = calf().at(10)
                    .touches(Zone.CALF, Tool.BARE_THUMB)
                    .at(41.5)
                    .touches(Zone.CALF, Tool.PALM)
                    .at(600)
                    .finish();
            assertThat(seen.findings(Rule.HAND_BARE))
                    .singleElement()
                    .satisfies(f -> assertThat(f.sentence()).contains("31.5 s in a row"));
        }
    }

    /**
     * Wilson's interval (Wilson, E. B. 1927, JASA 22). Cases: 81 of 263 and 15 of 148 and 0 of 20 and 1 of 29, 95 %, as tabled by
     * Newcombe, R. G. (1998), Statistics in Medicine 17, 857–872, Table I, method 3 (from memory).
     */
    @ParameterizedTest
    @CsvSource({"81, 263, 0.2553, 0.3662", "15, 148, 0.0624, 0.1605", "0, 20, 0.0000, 0.1611", "1, 29, 0.0061, 0.1718"})
    void wilsons_interval_is_as_published(int clean, int looks, double low, double high) {
        var interval = WilsonInterval.of(clean, looks);
        assertThat(interval.low() / 100).isCloseTo(low, within(0.00006));
        assertThat(interval.high() / 100).isCloseTo(high, within(0.00006));
    }

    @Nested
    class Communication {
        private Seen opened() {
            var seen = calf();
            int at = 1;
            for (var kind :
                    new SayKind[] {SayKind.GREETING, SayKind.PURPOSE, SayKind.AREAS_TO_AVOID, SayKind.INVITES_FEEDBACK})
                seen.at(at++).says(kind);
            return seen;
        }

        @Test
        void the_opening_is_the_share_of_four() {
            var seen = calf().at(1)
                    .says(SayKind.GREETING)
                    .at(2)
                    .says(SayKind.PURPOSE)
                    .at(60)
                    .finish();
            assertThat(seen.part(Criterion.COMMUNICATION, "opening")).isEqualTo(0.5);
            assertThat(seen.findings(Rule.COMM_OPEN)).hasSize(1);
        }

        @Test
        void an_opening_that_was_missed_in_part_counts_only_when_it_is_whole() {
            var plan = calf().practical().sequence();
            var late = Seen.unwatched(plan).at(20).eyes(true).says(SayKind.GREETING);
            late.at(40).starts(plan.steps().get(0).id(), Side.RIGHT).at(60).finish();
            assertThat(late.part(Criterion.COMMUNICATION, "opening")).isNull();
            assertThat(late.findings(Rule.COMM_OPEN)).isEmpty();
        }

        /** By hand: eyes from 0, a question at 200: 0–180 and 200–380 of 600 s are covered. */
        @Test
        void silence_is_the_share_of_watched_time_near_a_question() {
            var seen = calf().at(200).asks().at(600).finish();
            assertThat(seen.part(Criterion.COMMUNICATION, "silence")).isCloseTo(360.0 / 600, within(1e-9));
        }

        @Test
        void silence_counts_in_attended_time_only() {
            var seen = calf().at(10).eyes(false).at(500).eyes(true).at(600).finish();
            assertThat(seen.part(Criterion.COMMUNICATION, "silence")).isEqualTo(1);
        }

        @Test
        void a_closed_question_breaks_no_silence() {
            var open = calf().at(200).asks(Style.OPEN).at(600).finish();
            var closed = calf().at(200).asks(Style.CLOSED).at(600).finish();
            assertThat(closed.part(Criterion.COMMUNICATION, "silence"))
                    .isLessThan(open.part(Criterion.COMMUNICATION, "silence"));
        }

        @Test
        void a_heavier_tool_wants_a_question_within_twenty_seconds() {
            var plan = once(
                    step("p").on(Zone.HAMSTRINGS).seconds(60),
                    step("f")
                            .technique("fist-glide")
                            .with(Tool.LOOSE_FIST)
                            .on(Zone.HAMSTRINGS)
                            .deep(4)
                            .seconds(60));
            var soon = Seen.of(plan)
                    .sides(Sides.RIGHT)
                    .at(0)
                    .starts("p", Side.RIGHT)
                    .at(60)
                    .starts("f", Side.RIGHT);
            soon.at(79).asks().at(120).finish();
            assertThat(soon.part(Criterion.COMMUNICATION, "tool questions")).isEqualTo(1);
            var late = Seen.of(plan)
                    .sides(Sides.RIGHT)
                    .at(0)
                    .starts("p", Side.RIGHT)
                    .at(60)
                    .starts("f", Side.RIGHT);
            late.at(81).asks().at(120).finish();
            assertThat(late.part(Criterion.COMMUNICATION, "tool questions")).isZero();
            assertThat(late.findings(Rule.COMM_TOOL)).hasSize(1);
        }

        @ParameterizedTest
        @CsvSource({"1234, 1", "1324, 0.75", "4321, 0.25", "12, 0.5", "1, 0.25"})
        void an_interview_counts_what_comes_in_order(String order, double credit) {
            var plan = once(step("p")
                    .technique("trigger-point")
                    .with(Tool.SUPPORTED_THUMB)
                    .on(Zone.SHOULDER_BLADE)
                    .deep(4)
                    .phase(Phase.TREAT)
                    .dose(Dose.holds(3, 9)));
            var seen = Seen.of(plan).sides(Sides.RIGHT).at(0).starts("p", Side.RIGHT);
            for (int i = 0; i < order.length(); i++) seen.at(5 + i).interview(order.charAt(i) - '0');
            assertThat(seen.at(30).finish().part(Criterion.COMMUNICATION, "interviews"))
                    .isEqualTo(credit);
            // The missing ones may have been asked while the eyes were elsewhere.
            if (credit < 1)
                assertThat(seen.at(20).eyes(false).part(Criterion.COMMUNICATION, "interviews"))
                        .isNull();
        }

        @Test
        void the_clients_own_movement_wants_a_ready_and_a_relax_cue() {
            var plan = once(step("a")
                    .technique("pin-lengthen")
                    .effort(Technique.Effort.ACTIVE)
                    .seconds(30));
            var seen = Seen.of(plan)
                    .sides(Sides.RIGHT)
                    .at(1)
                    .says(SayKind.WARNS)
                    .at(2)
                    .starts("a", Side.RIGHT);
            seen.at(4).says(SayKind.READY_CUE).at(40).finish();
            assertThat(seen.findings(Rule.COMM_CUE))
                    .singleElement()
                    .satisfies(f -> assertThat(f.sentence()).contains("no relax cue"));
        }

        /** By hand: two strong steps, one of them announced up to 30 s before; a movement with one cue of two: (1 + 0 + ½) ÷ 3. */
        @Test
        void strong_work_is_announced_and_movement_is_cued() {
            var plan = once(
                    step("p")
                            .technique("trigger-point")
                            .with(Tool.SUPPORTED_THUMB)
                            .on(Zone.SHOULDER_BLADE)
                            .seconds(30),
                    step("q")
                            .technique("trigger-point")
                            .with(Tool.SUPPORTED_THUMB)
                            .on(Zone.SHOULDER_BLADE)
                            .seconds(30),
                    step("a").effort(Technique.Effort.ACTIVE).seconds(30));
            var seen = Seen.of(plan).sides(Sides.RIGHT).at(1).says(SayKind.WARNS);
            seen.at(20).starts("p", Side.RIGHT).at(60).starts("q", Side.RIGHT);
            seen.at(90)
                    .starts("a", Side.RIGHT)
                    .at(92)
                    .says(SayKind.READY_CUE)
                    .at(120)
                    .finish();
            assertThat(seen.part(Criterion.COMMUNICATION, "warnings and cues")).isCloseTo(0.5, within(1e-12));
            assertThat(seen.findings(Rule.COMM_WARN)).hasSize(1);
        }

        /** By hand: a report over the band eased in time counts 1, a vague reply followed up 1, one let go 0: two of three. */
        @Test
        void answers_are_to_reports_and_to_vague_replies() {
            var seen = calf().at(10).report(8).at(12).answers(EventData.Response.EASED);
            seen.at(20).tap(EventKind.REPLY, d -> d.clear(false).followedUp(true));
            seen.at(30).tap(EventKind.REPLY, d -> d.clear(false)).at(40).tap(EventKind.REPLY, d -> d.clear(true));
            assertThat(seen.at(60).finish().part(Criterion.COMMUNICATION, "answers"))
                    .isCloseTo(2.0 / 3, within(1e-12));
        }

        @Test
        void a_closing_word_counts_whole_and_its_absence_only_where_somebody_watched_the_end() {
            assertThat(calf().at(50).says(SayKind.CLOSING).at(60).finish().part(Criterion.COMMUNICATION, "closing"))
                    .isEqualTo(1);
            assertThat(calf().at(60).finish().part(Criterion.COMMUNICATION, "closing"))
                    .isZero();
            assertThat(calf().at(50).eyes(false).at(60).finish().part(Criterion.COMMUNICATION, "closing"))
                    .isNull();
        }

        /** An extra open question never lowers any score: tried over random moments. */
        @Test
        void asking_more_never_costs() {
            var random = new Random(5);
            for (int i = 0; i < 200; i++) {
                var before = opened().at(100).asks().at(300).report(2);
                var after = opened().at(100).asks().at(300).report(2);
                after.at(5 + random.nextInt(590)).asks();
                before.at(600).finish();
                after.at(600).finish();
                for (var c : Criterion.values()) {
                    var a = before.scored(c).score();
                    var b = after.scored(c).score();
                    if (a != null) assertThat(b).as(c.label()).isGreaterThanOrEqualTo(a);
                }
            }
        }

        @Test
        void chatter_is_one_observation_a_minute() {
            var seen = opened();
            for (int i = 0; i < 30; i++) seen.at(60 + i).asks();
            assertThat(seen.at(600).finish().scored(Criterion.COMMUNICATION).observations())
                    .isEqualTo(5);
        }

        @Test
        void nobody_watching_is_no_score() {
            assertThat(Seen.unwatched(CALF)
                            .at(0)
                            .starts("c", Side.RIGHT)
                            .at(60)
                            .finish()
                            .scored(Criterion.COMMUNICATION)
                            .score())
                    .isNull();
        }
    }

    @Nested
    class Draping {
        @Test
        void worked_all_the_time_scores_100() {
            assertThat(calf().at(600).finish().score(Criterion.DRAPING)).isEqualTo(100);
        }

        /** By hand: open 0–600, hands off 300–400, 20 s are grace: 80 of 600 s idle. */
        @Test
        void open_and_unworked_beyond_the_grace_costs_its_share() {
            var seen = calf().at(1)
                    .sheet(Drape.OPEN)
                    .at(300)
                    .stops()
                    .at(400)
                    .starts("c", Side.RIGHT)
                    .at(600)
                    .finish();
            assertThat(seen.score(Criterion.DRAPING)).isCloseTo(100 * (1 - 80.0 / 600), within(0.01));
            assertThat(seen.findings(Rule.DRAPE_IDLE)).hasSize(1);
        }

        @ParameterizedTest
        @CsvSource({
            "LOOSE, 95",
            "LEFT_OPEN, 90",
            "LIFTED_TOO_HIGH, 95",
            "NOT_SECURED, 90",
            "NOT_COVERED_AT_END, 85",
            "SECURED, 100"
        })
        void a_fault_costs_its_price(Drape fault, double score) {
            assertThat(calf().at(300).sheet(fault).at(600).finish().score(Criterion.DRAPING))
                    .isEqualTo(score);
        }

        @Test
        void never_falls_below_nothing() {
            var seen = calf();
            for (int i = 1; i < 20; i++) seen.at(i).sheet(Drape.NOT_COVERED_AT_END);
            assertThat(seen.at(600).finish().score(Criterion.DRAPING)).isZero();
        }

        @Test
        void does_not_apply_where_nothing_is_opened() {
            var plan = once(step("n").on(Zone.NECK_BACK).seconds(60));
            var scored = Seen.of(plan)
                    .sides(Sides.RIGHT)
                    .at(0)
                    .starts("n", Side.RIGHT)
                    .at(60)
                    .finish()
                    .scored(Criterion.DRAPING);
            assertThat(scored.score()).isNull();
            assertThat(scored.applicable()).isFalse();
        }
    }

    @Nested
    class Permission {
        private final Sequence hip =
                once(step("g").on(Zone.GLUTEALS).sheet(Sheet.THROUGH).seconds(60));
        private final Sequence bare =
                once(step("g").on(Zone.GLUTEALS).sheet(Sheet.OPEN).seconds(60));

        private Seen start(Sequence plan) {
            return Seen.of(plan).sides(Sides.RIGHT);
        }

        @Test
        void asked_and_given_first_is_fine() {
            var seen = start(hip)
                    .at(1)
                    .consent(ConsentAnswer.ASKED, Zone.GLUTEALS)
                    .at(3)
                    .consent(ConsentAnswer.YES, Zone.GLUTEALS);
            assertThat(seen.at(5)
                            .starts("g", Side.RIGHT)
                            .at(60)
                            .finish()
                            .scores()
                            .critical())
                    .isEmpty();
        }

        @Test
        void missing_late_or_refused_is_critical() {
            assertThat(start(hip)
                            .at(5)
                            .starts("g", Side.RIGHT)
                            .at(60)
                            .finish()
                            .scores()
                            .critical())
                    .singleElement()
                    .satisfies(f -> {
                        assertThat(f.rule()).isEqualTo(Rule.CONSENT_BEFORE);
                        assertThat(f.severity()).isEqualTo(Severity.CRITICAL);
                    });
            var late = start(hip).at(5).starts("g", Side.RIGHT).at(9).consent(ConsentAnswer.YES, Zone.GLUTEALS);
            assertThat(late.at(60).finish().scores().critical()).hasSize(1);
            var refused = start(hip)
                    .at(1)
                    .consent(ConsentAnswer.NO, Zone.GLUTEALS)
                    .at(5)
                    .starts("g", Side.RIGHT);
            assertThat(refused.at(60).finish().scores().critical()).hasSize(1);
        }

        @Test
        void that_was_only_asked_for_is_not_given() {
            var seen = start(hip)
                    .at(1)
                    .consent(ConsentAnswer.ASKED, Zone.GLUTEALS)
                    .at(5)
                    .starts("g", Side.RIGHT);
            assertThat(seen.at(60).finish().scores().critical()).hasSize(1);
        }

        @Test
        void through_the_sheet_does_not_cover_skin() {
            var seen = start(bare)
                    .at(1)
                    .tap(
                            EventKind.CONSENT,
                            d -> d.answer(ConsentAnswer.YES).zone(Zone.GLUTEALS).sheet(Sheet.THROUGH));
            assertThat(seen.at(5)
                            .starts("g", Side.RIGHT)
                            .at(60)
                            .finish()
                            .scores()
                            .critical())
                    .singleElement()
                    .satisfies(f -> assertThat(f.rule()).isEqualTo(Rule.CONSENT_SCOPE));
        }

        @Test
        void withdrawn_ends_it() {
            var seen = start(hip)
                    .at(1)
                    .consent(ConsentAnswer.YES, Zone.GLUTEALS)
                    .at(5)
                    .starts("g", Side.RIGHT);
            seen.at(20)
                    .consent(ConsentAnswer.WITHDRAWN, Zone.GLUTEALS)
                    .at(40)
                    .stops()
                    .at(60)
                    .finish();
            assertThat(seen.scores().critical())
                    .singleElement()
                    .satisfies(f -> assertThat(f.rule()).isEqualTo(Rule.CONSENT_SCOPE));
        }

        @Test
        void is_not_judged_where_nobody_watched() {
            var seen = Seen.unwatched(hip)
                    .sides(Sides.RIGHT)
                    .at(5)
                    .starts("g", Side.RIGHT)
                    .at(60)
                    .finish();
            assertThat(seen.scores().critical()).isEmpty();
        }
    }
}
