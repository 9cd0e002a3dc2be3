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
import palmtally.core.profile.MechanicsFault;
import palmtally.core.profile.Profile;
import palmtally.core.profile.Profile.OutcomeRule;
import palmtally.core.sequence.Importance;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sides;

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
            other.add(new Event(
                    first.id(),
                    "t1",
                    1,
                    5,
                    null,
                    EventKind.REPORT,
                    EventData.with().number(3).build()));
            assertThatThrownBy(() -> new Practical(PLAN, Profile.bySeconds(), List.of(), Sides.RIGHT, other))
                    .isInstanceOf(InvalidValue.class)
                    .hasMessageContaining("twice with different contents");
        }

        @Test
        void of_two_graders_are_one_log() {
            var first = run();
            var both = new ArrayList<>(first.events());
            both.add(new Event(
                    "x1",
                    "t2",
                    1,
                    30_000,
                    null,
                    EventKind.REPORT,
                    EventData.with().number(3).build()));
            var practical = new Practical(PLAN, Profile.bySeconds(), List.of(), Sides.RIGHT, both);
            assertThat(practical.events()).extracting(Event::id).containsExactly("e1", "e2", "x1", "e3");
        }

        @ParameterizedTest
        @EnumSource(EventKind.class)
        void of_each_kind_say_what_is_missing(EventKind kind) {
            if (kind.needed().isEmpty()) {
                assertThat(new Event("e", "d", 1, 0, null, kind, EventData.NONE).kind())
                        .isEqualTo(kind);
                return;
            }
            assertThatThrownBy(() -> new Event("e", "d", 1, 0, null, kind, EventData.NONE))
                    .isInstanceOf(InvalidValue.class)
                    .hasMessageContaining("is missing: " + kind + " needs it");
        }

        @Test
        void before_the_start_or_off_the_scale_are_refused_with_all_faults() {
            assertThatThrownBy(() -> new Event(
                            " ",
                            "d",
                            -1,
                            -5,
                            null,
                            EventKind.REPORT,
                            EventData.with().number(11).build()))
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
            var seen = Seen.of(plan).at(0).tap(EventKind.STEP_START, d -> d.step("a"));
            seen.at(60).tap(EventKind.STEP_START, d -> d.step("a")).at(120).finish();
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
            assertThat(seen.tap(EventKind.STEP_STOP, d -> d.step("heat"))
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
            var seen = Seen.of(PLAN).sides(Sides.RIGHT).at(0).tap(EventKind.BREAK, d -> d.on(true));
            seen.at(120).tap(EventKind.BREAK, d -> d.on(false)).starts("a", Side.RIGHT);
            seen.at(180).tap(EventKind.BREAK, d -> d.on(true).text("fire bell"));
            seen.at(240).tap(EventKind.BREAK, d -> d.on(false)).starts("b", Side.RIGHT);
            var run = seen.at(300).finish().scores().run();
            assertThat(run.paused()).isEqualTo(180_000);
            assertThat(run.attendedStretches())
                    .containsExactly(new long[] {120_000, 180_000}, new long[] {240_000, 300_000});
            assertThat(run.done()).extracting(d -> d.end() - d.start()).containsExactly(60_000L, 60_000L);
            assertThat(seen.score(palmtally.core.finding.Criterion.DRAPING)).isEqualTo(100);
        }

        @Test
        void stops_hands_at_a_safety_stop() {
            var seen = run().at(70).tap(EventKind.SAFETY_STOP, d -> {}).at(120).finish();
            assertThat(seen.scores().run().done().get(1).end()).isEqualTo(70_000);
        }
    }

    @Nested
    class Outcome_by {
        private Profile by(OutcomeRule rule) {
            var a = Profile.bySeconds();
            var m = a.marking();
            return a.withMarking(new Profile.Marking(
                    m.criteria(),
                    rule,
                    m.cut(),
                    m.floor(),
                    m.safetyEdge(),
                    m.answerFullSeconds(),
                    m.answerAllowanceSeconds(),
                    m.answerNothingSeconds(),
                    m.pressure(),
                    m.communication(),
                    m.enough()));
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
