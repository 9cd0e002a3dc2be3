package palmtally.core.practical;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import palmtally.core.InvalidValue;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.practical.event.Break;
import palmtally.core.practical.event.Event;
import palmtally.core.practical.event.Observation;
import palmtally.core.practical.event.OffPlan;
import palmtally.core.practical.event.Report;
import palmtally.core.practical.event.SafetyStop;
import palmtally.core.practical.event.SheetChange;
import palmtally.core.practical.event.SheetLook;
import palmtally.core.practical.event.StepStart;
import palmtally.core.practical.event.StepStop;
import palmtally.core.profile.Choices;
import palmtally.core.profile.DrapingFault;
import palmtally.core.profile.MechanicsFault;
import palmtally.core.profile.Profile;
import palmtally.core.profile.Profile.OutcomeRule;
import palmtally.core.sequence.Importance;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;
import palmtally.core.technique.Tool;

/** The event log: order, undo, what the plan supplies, what cannot be meant; and what a practical comes to. */
class LogTest {
    private static final Sequence PLAN = once(
            step("a").on(Zone.CALF).seconds(60).importance(Importance.MUST),
            step("b").on(Zone.CALF).seconds(60));

    private static Seen run() {
        return Seen.of(PLAN)
                .sides(Sides.RIGHT)
                .at(0)
                .starts("a", Side.RIGHT)
                .at(60)
                .starts("b", Side.RIGHT);
    }

    @Nested
    class Events {
        @Test
        void are_ordered_by_their_own_clock_whatever_order_they_come_in() {
            var seen = run().at(30).report(3).at(90).looks().at(120).finish();
            var shuffled = new ArrayList<>(seen.events());
            Collections.shuffle(shuffled, new Random(1));
            var again = new Practical(PLAN, Profile.bySeconds(), List.of(), Sides.RIGHT, shuffled);
            assertThat(again.events()).isEqualTo(seen.practical().events());
            assertThat(Scores.of(again).criteria()).isEqualTo(seen.scores().criteria());
        }

        @Test
        void sent_twice_count_once() {
            var seen = run().at(30).report(3).at(120).finish();
            var twice = new ArrayList<>(seen.events());
            twice.addAll(seen.events());
            assertThat(new Practical(PLAN, Profile.bySeconds(), List.of(), Sides.RIGHT, twice).events())
                    .isEqualTo(seen.practical().events());
        }

        @Test
        void with_one_id_and_two_contents_are_refused() {
            var seen = run();
            var other = new ArrayList<>(seen.events());
            var first = other.get(0);
            other.add(new Event(first.id(), "t1", 1, 5, null, Report.of(3)));
            assertThatThrownBy(() -> new Practical(PLAN, Profile.bySeconds(), List.of(), Sides.RIGHT, other))
                    .isInstanceOf(InvalidValue.class)
                    .hasMessageContaining("twice with different contents");
        }

        @Test
        void of_two_graders_are_one_log() {
            var first = run();
            var both = new ArrayList<>(first.events());
            both.add(new Event("x1", "t2", 1, 30_000, null, Report.of(3)));
            var practical = new Practical(PLAN, Profile.bySeconds(), List.of(), Sides.RIGHT, both);
            assertThat(practical.events()).extracting(Event::id).containsExactly("e1", "e2", "x1", "e3");
        }

        @Test
        void before_the_start_or_off_the_scale_are_refused_with_all_faults() {
            assertThatThrownBy(() -> new Event(" ", "d", -1, -5, null, Report.of(11)))
                    .isInstanceOfSatisfying(
                            InvalidValue.class,
                            e -> assertThat(e.faults())
                                    .extracting(InvalidValue.Fault::field)
                                    .containsExactly("id", "seq", "atMs", "data/number"));
        }

        @Test
        void that_name_a_step_the_plan_does_not_have_are_refused() {
            assertThatThrownBy(() -> run().starts("z", Side.RIGHT).practical())
                    .isInstanceOf(InvalidValue.class)
                    .hasMessageContaining("events/3/data/step names no step");
        }
    }

    @Nested
    class Undo {
        @Test
        void takes_an_event_out_of_every_score() {
            var clean = run().at(120).finish();
            var slip = run().at(30).looks(MechanicsFault.LEANING);
            slip.at(31).undo(slip.last()).at(120).finish();
            assertThat(slip.scored(Criterion.MECHANICS)).isEqualTo(clean.scored(Criterion.MECHANICS));
        }

        @Test
        void can_itself_be_undone() {
            var seen = run().at(30).report(2);
            var report = seen.last();
            seen.at(31).undo(report);
            seen.at(32).undo(seen.last()).at(120).finish();
            assertThat(seen.scores().run().events()).extracting(Event::id).contains(report);
        }
    }

    @Nested
    class The_run {
        @Test
        void takes_zone_side_and_sheet_of_a_started_step_from_the_plan() {
            var contact = run().at(120).finish().scores().run().contacts().get(0);
            assertThat(contact.zone()).isEqualTo(Zone.CALF);
            assertThat(contact.side()).isEqualTo(Side.RIGHT);
            assertThat(contact.seen()).isFalse();
        }

        @Test
        void goes_on_to_the_other_side_by_itself() {
            var plan = eachSide(step("a").seconds(60));
            var seen = Seen.of(plan).at(0).tap(new StepStart("a", null));
            seen.at(60).tap(new StepStart("a", null)).at(120).finish();
            assertThat(seen.scores().run().done()).extracting(Run.Done::side).containsExactly(Side.RIGHT, Side.LEFT);
        }

        @Test
        void ends_with_its_finish() {
            var seen = run().at(120).finish().at(300).report(9);
            assertThat(seen.scores().run().end()).isEqualTo(120_000);
            assertThat(seen.part(Criterion.PRESSURE, "reports")).isNull();
        }

        /** Ten minutes of heat under two other steps, then stopped by its name: all of it counts, and so do they. */
        @Test
        void lets_heat_go_on_beside_what_the_hands_do() {
            var plan = once(
                    step("heat").technique("heat").on(Zone.LUMBAR).seconds(600),
                    step("a").on(Zone.CALF).seconds(300),
                    step("b").on(Zone.CALF).seconds(300));
            var seen = Seen.of(plan).sides(Sides.RIGHT).at(0).starts("heat", Side.RIGHT);
            seen.at(20).starts("a", Side.RIGHT).at(320).starts("b", Side.RIGHT).at(620);
            assertThat(seen.tap(new StepStop("heat", null))
                            .at(640)
                            .finish()
                            .scores()
                            .run()
                            .done())
                    .extracting(d -> d.step().id() + " " + (d.end() - d.start()) / 1000)
                    .containsExactly("heat 620", "a 300", "b 320");
            assertThat(seen.score(palmtally.core.finding.Criterion.ORDER)).isEqualTo(100);
        }

        /** Late by two minutes, and again away from 180 to 240: neither silence nor idle sheet nor hands count there. */
        @Test
        void counts_nothing_in_a_break() {
            var seen = Seen.of(PLAN).sides(Sides.RIGHT).at(0).tap(new Break(true, null));
            seen.at(120).tap(new Break(false, null)).starts("a", Side.RIGHT);
            seen.at(180).tap(new Break(true, "fire bell"));
            seen.at(240).tap(new Break(false, null)).starts("b", Side.RIGHT);
            var run = seen.at(300).finish().scores().run();
            assertThat(run.paused()).isEqualTo(180_000);
            assertThat(run.attendedStretches())
                    .containsExactly(new long[] {120_000, 180_000}, new long[] {240_000, 300_000});
            assertThat(run.done()).extracting(d -> d.end() - d.start()).containsExactly(60_000L, 60_000L);
            assertThat(seen.part(palmtally.core.finding.Criterion.DRAPING, "open and worked"))
                    .isEqualTo(1);
        }

        /** A touch beside the plan ends with the hands: nothing was on, and they were. */
        @Test
        void ends_a_touch_off_the_plan_when_hands_come_off() {
            var seen = run().at(70)
                    .stops()
                    .at(80)
                    .touches(Zone.CALF, 2)
                    .at(90)
                    .stops()
                    .at(120)
                    .finish();
            var last = seen.scores().run().contacts();
            assertThat(last.get(last.size() - 1).end()).isEqualTo(90_000);
        }

        /** A stroke off the plan ends the step; what it does not say is: the step's side, skin, and neither tool nor depth. */
        @Test
        void leaves_the_plan_for_a_stroke_that_is_not_in_it() {
            var seen = run().at(70)
                    .tap(new OffPlan(Zone.GROIN, null, null, 3, null))
                    .at(80)
                    .stops();
            seen.at(90)
                    .tap(new OffPlan(Zone.CALF, Side.LEFT, Tool.FOREARM, null, Sheet.THROUGH))
                    .at(100)
                    .finish();
            var run = seen.scores().run();
            assertThat(run.done()).extracting(Run.Done::end).contains(70_000L);
            assertThat(run.contacts())
                    .filteredOn(c -> c.step() == null)
                    .satisfiesExactly(
                            c -> {
                                assertThat(c.zone()).isEqualTo(Zone.GROIN);
                                assertThat(c.side()).isEqualTo(Side.RIGHT);
                                assertThat(c.tool()).isNull();
                                assertThat(c.toolSeen()).isFalse();
                                assertThat(c.seenDepth()).isEqualTo(3);
                                assertThat(c.sheet()).isEqualTo(Sheet.OPEN);
                                assertThat(c.end()).isEqualTo(80_000);
                            },
                            c -> {
                                assertThat(c.side()).isEqualTo(Side.LEFT);
                                assertThat(c.tool()).isEqualTo(Tool.FOREARM);
                                assertThat(c.toolSeen()).isTrue();
                                assertThat(c.sheet()).isEqualTo(Sheet.THROUGH);
                            });
            assertThat(seen.findings(palmtally.core.finding.Rule.of("PRESS-CEILING")))
                    .hasSize(1);
        }

        /** Seen left open, or tapped so, it stays open whatever the plan says next; covered, it is closed. */
        @Test
        void keeps_open_what_was_left_open_until_it_is_covered() {
            for (Observation left : List.<Observation>of(
                    new SheetLook(List.of(DrapingFault.LEFT_OPEN), true),
                    SheetChange.of(SheetChange.Drape.LEFT_OPEN))) {
                var plan = once(
                        step("a").on(Zone.CALF).seconds(60),
                        step("n").on(Zone.NECK_BACK).seconds(60));
                var seen = Seen.of(plan)
                        .sides(Sides.RIGHT)
                        .at(0)
                        .starts("a", Side.RIGHT)
                        .at(30)
                        .tap(left);
                seen.at(60)
                        .starts("n", Side.MIDLINE)
                        .at(90)
                        .sheet(SheetChange.Drape.COVER)
                        .at(120)
                        .finish();
                assertThat(seen.scores().run().opens())
                        .extracting(Run.Open::end)
                        .containsExactly(90_000L);
            }
            var planned = once(
                    step("a").on(Zone.CALF).seconds(60),
                    step("n").on(Zone.NECK_BACK).seconds(60));
            var seen = Seen.of(planned).sides(Sides.RIGHT).at(0).starts("a", Side.RIGHT);
            seen.at(60).starts("n", Side.MIDLINE).at(120).finish();
            assertThat(seen.scores().run().opens()).extracting(Run.Open::end).containsExactly(60_000L);
        }

        @Test
        void stops_hands_at_a_safety_stop() {
            var seen = run().at(70).tap(new SafetyStop(null, null)).at(120).finish();
            assertThat(seen.scores().run().done().get(1).end()).isEqualTo(70_000);
        }
    }

    @Nested
    class Outcome_by {
        private Profile by(OutcomeRule rule) {
            return Choices.find("outcome").orElseThrow().choose(Profile.bySeconds(), rule.toString());
        }

        private Scores scores(OutcomeRule rule) {
            var seen = Seen.of(PLAN, by(rule))
                    .sides(Sides.RIGHT)
                    .at(0)
                    .starts("a", Side.RIGHT)
                    .at(10)
                    .report(2);
            return seen.at(20)
                    .looks()
                    .at(60)
                    .starts("b", Side.RIGHT)
                    .at(65)
                    .asks()
                    .at(120)
                    .finish()
                    .scores();
        }

        private Map<Criterion, Double> all(double value) {
            var map = new EnumMap<Criterion, Double>(Criterion.class);
            for (var c : Criterion.values()) map.put(c, value);
            return map;
        }

        @ParameterizedTest
        @CsvSource({
            "CONJUNCTIVE, 60, 60, PASS",
            "CONJUNCTIVE, 90, 59, FAIL",
            "COMPENSATORY, 90, 55, PASS",
            "COMPENSATORY, 90, 49, FAIL",
            "COMPENSATORY, 59, 59, FAIL"
        })
        void cut_and_floor(OutcomeRule rule, double four, double draping, Outcome.Result result) {
            var awarded = all(four);
            awarded.put(Criterion.DRAPING, draping);
            assertThat(Outcome.of(scores(rule), awarded, 0, null).result()).isEqualTo(result);
        }

        @ParameterizedTest
        @EnumSource(
                value = OutcomeRule.class,
                names = {"CONJUNCTIVE", "COMPENSATORY", "CHECKLIST"})
        void anything_critical_fails(OutcomeRule rule) {
            assertThat(Outcome.of(scores(rule), all(100), 1, null).result()).isEqualTo(Outcome.Result.FAIL);
        }

        @Test
        void one_global_judgement() {
            assertThat(Outcome.of(scores(OutcomeRule.GLOBAL), Map.of(), 0, 60.0).result())
                    .isEqualTo(Outcome.Result.PASS);
            assertThat(Outcome.of(scores(OutcomeRule.GLOBAL), Map.of(), 0, 59.0).result())
                    .isEqualTo(Outcome.Result.FAIL);
            assertThat(Outcome.of(scores(OutcomeRule.GLOBAL), Map.of(), 0, null).result())
                    .isEqualTo(Outcome.Result.INCOMPLETE);
        }

        @Test
        void a_criterion_not_observed_is_neither_pass_nor_fail() {
            var scores = Seen.of(PLAN)
                    .sides(Sides.RIGHT)
                    .at(0)
                    .starts("a", Side.RIGHT)
                    .at(60)
                    .finish()
                    .scores();
            var outcome = Outcome.of(scores, Map.of(), 0, null);
            assertThat(outcome.result()).isEqualTo(Outcome.Result.INCOMPLETE);
            assertThat(outcome.reasons()).contains("Body mechanics was not observed.");
        }

        /** Gluteals touched, and nobody heard whether it was asked: no outcome before the grader says. */
        private Scores asked(OutcomeRule rule) {
            var plan = once(step("g").on(Zone.GLUTEALS).sheet(Sheet.THROUGH).seconds(60));
            return Seen.of(plan, by(rule))
                    .sides(Sides.RIGHT)
                    .at(1)
                    .starts("g", Side.RIGHT)
                    .at(60)
                    .finish()
                    .scores();
        }

        @ParameterizedTest
        @EnumSource(
                value = OutcomeRule.class,
                names = {"CONJUNCTIVE", "COMPENSATORY", "CHECKLIST"})
        void a_question_of_permission_keeps_it_open_whatever_was_awarded(OutcomeRule rule) {
            var outcome = Outcome.of(asked(rule), all(80), 0, null);
            assertThat(outcome.result()).isEqualTo(Outcome.Result.INCOMPLETE);
            assertThat(outcome.reasons()).containsExactly("One question is not answered yet.");
        }

        @Test
        void what_is_critical_fails_though_not_all_was_seen() {
            var scores = asked(OutcomeRule.CONJUNCTIVE);
            assertThat(Outcome.of(scores, Map.of(), 0, null).result()).isEqualTo(Outcome.Result.INCOMPLETE);
            assertThat(Outcome.of(scores, Map.of(), 1, null).result()).isEqualTo(Outcome.Result.FAIL);
        }

        /** A question whether something was heard is moot where the grader marked that criterion otherwise. */
        @Test
        void an_award_of_the_grader_stands_for_what_was_asked_of_it() {
            var scores = scores(OutcomeRule.CONJUNCTIVE);
            assertThat(scores.questions()).extracting(Question::key).contains("heard/closing");
            assertThat(Outcome.of(scores, all(80), 0, null).result()).isEqualTo(Outcome.Result.PASS);
        }

        /** A checklist rests on the steps: what nobody saw of the criteria leaves it whole. */
        @Test
        void a_checklist_rests_on_its_steps() {
            assertThat(Outcome.of(scores(OutcomeRule.CHECKLIST), Map.of(), 0, null)
                            .result())
                    .isEqualTo(Outcome.Result.PASS);
        }

        /** A step that must be done and that nobody saw keeps a checklist open; one that could be done does not. */
        @ParameterizedTest
        @CsvSource({"MUST, INCOMPLETE", "SHOULD, PASS"})
        void a_checklist_waits_for_a_step_that_must_be_done(Importance importance, Outcome.Result result) {
            var plan = once(
                    step("a").seconds(60).importance(Importance.MUST),
                    step("b").seconds(60).importance(importance));
            var scores = Seen.of(plan, by(OutcomeRule.CHECKLIST))
                    .sides(Sides.RIGHT)
                    .at(0)
                    .starts("a", Side.RIGHT)
                    .at(30)
                    .eyes(false)
                    .at(120)
                    .finish()
                    .scores();
            assertThat(scores.questions()).extracting(Question::key).contains("step/b/right");
            assertThat(Outcome.of(scores, Map.of(), 0, null).result()).isEqualTo(result);
        }

        @Test
        void nothing_that_could_be_judged_is_no_pass() {
            var none = Seen.of(once(step("n").on(Zone.NECK_BACK).seconds(60))).scores();
            var outcome = Outcome.of(none.only(Criterion.ORDER), Map.of(), 0, null);
            assertThat(outcome.result()).isEqualTo(Outcome.Result.INCOMPLETE);
            assertThat(outcome.reasons()).containsExactly("Nothing was asked that could be judged.");
        }

        @ParameterizedTest
        @CsvSource({
            "0, NOT_YET",
            "39.9, NOT_YET",
            "40, EMERGING",
            "59.9, EMERGING",
            "60, COMPETENT",
            "79.9, COMPETENT",
            "80, FLUENT",
            "100, FLUENT"
        })
        void bands(double score, Outcome.Band band) {
            assertThat(Outcome.Band.of(score)).isEqualTo(band);
        }
    }
}
