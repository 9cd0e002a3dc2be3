package palmtally.core.practical;

import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.practical.event.ReportAnswer.Response;
import palmtally.core.practical.event.ReviewAnswer;
import palmtally.core.profile.MechanicsFault;
import palmtally.core.sequence.Importance;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sides;
import palmtally.core.technique.Tool;

/** What follows from a run: goals for the next time, and what must be shown again. */
class ReviewTest {
    private static final Sequence PLAN = once(
            step("warm").on(Zone.CALF).seconds(60).importance(Importance.MUST),
            step("firm")
                    .technique("fist-glide")
                    .with(Tool.LOOSE_FIST)
                    .on(Zone.CALF)
                    .deep(4)
                    .seconds(60)
                    .phase(Phase.TREAT),
            step("sole").on(Zone.SOLE).seconds(60),
            step("hip").on(Zone.GLUTEALS).seconds(60));

    private static Seen run() {
        var seen = Seen.of(PLAN)
                .sides(Sides.RIGHT)
                .at(0)
                .starts("warm", Side.RIGHT)
                .at(10)
                .report(2)
                .at(20)
                .looks();
        return seen.at(60).starts("firm", Side.RIGHT);
    }

    private static Seen rest(Seen seen) {
        return seen.at(120)
                .starts("sole", Side.RIGHT)
                .at(180)
                .starts("hip", Side.RIGHT)
                .at(240)
                .finish()
                .reviewed("permission/gluteals", ReviewAnswer.Said.NOT_ASKED);
    }

    @Nested
    class Goals {
        @Test
        void put_the_most_serious_first_and_count_what_comes_back() {
            var seen = rest(run().at(70)
                    .looks(MechanicsFault.BENT_ELBOWS)
                    .at(90)
                    .looks(MechanicsFault.BENT_ELBOWS)
                    .at(100)
                    .report(9)
                    .at(101)
                    .answers(Response.NONE));
            var goals = Goal.of(seen.scores(), Set.of());
            assertThat(goals).hasSizeLessThanOrEqualTo(Goal.MOST);
            assertThat(goals.get(0).rule()).as("critical: never asked").isEqualTo(Rule.of("CONSENT-BEFORE"));
            assertThat(goals.get(1).rule()).isEqualTo(Rule.of("PRESS-ANSWER"));
            assertThat(goals)
                    .filteredOn(g -> g.rule().equals(Rule.of("MECH-LOOK")))
                    .singleElement()
                    .satisfies(g -> {
                        assertThat(g.times()).isEqualTo(2);
                        assertThat(g.atMs()).isEqualTo(70_000);
                    });
        }

        @Test
        void leave_out_what_was_struck() {
            var scores = rest(run()).scores();
            var key = scores.critical().get(0).key();
            assertThat(Goal.of(scores, Set.of(key))).noneMatch(g -> g.rule().equals(Rule.of("CONSENT-BEFORE")));
        }
    }

    @Nested
    class A_re_take {
        private static java.util.List<Again> again(Scores scores, Map<Criterion, Double> awarded, Set<String> struck) {
            int critical = (int) scores.critical().stream()
                    .filter(f -> !struck.contains(f.key()))
                    .count();
            return Again.of(scores, Outcome.of(scores, awarded, critical, null), awarded, struck);
        }

        private static Map<Criterion, Double> all(double value) {
            var awarded = new java.util.EnumMap<Criterion, Double>(Criterion.class);
            for (var c : Criterion.values()) awarded.put(c, value);
            return awarded;
        }

        @Test
        void asks_nothing_after_a_pass() {
            var scores = rest(run()).scores();
            var key = scores.critical().get(0).key();
            assertThat(again(scores, all(80), Set.of(key))).isEmpty();
        }

        @Test
        void asks_only_for_the_step_where_something_critical_was_seen() {
            var scores = rest(run()).scores();
            assertThat(again(scores, all(80), Set.of())).extracting(Again::step).containsExactly("hip");
        }

        /** Firm work lost the points of pressure; what warms its zone comes with it. */
        @Test
        void brings_the_warm_up_of_what_is_shown_again() {
            var scores =
                    rest(run().at(70).report(9).at(71).answers(Response.NONE)).scores();
            var key = scores.critical().get(0).key();
            var awarded = all(80);
            awarded.put(Criterion.PRESSURE, 40.0);
            var again = again(scores, awarded, Set.of(key));
            assertThat(again).extracting(Again::step).containsExactly("warm", "firm");
            assertThat(again.get(0).why()).containsExactly("warms what comes after it");
            assertThat(again.get(1).why()).containsExactly("Pressure control was below the cut");
        }

        @Test
        void shows_a_criterion_nobody_saw_at_what_must_be_done() {
            var scores = rest(Seen.of(PLAN).sides(Sides.RIGHT).at(0).starts("warm", Side.RIGHT))
                    .scores();
            var key = scores.critical().get(0).key();
            var awarded = all(80);
            awarded.remove(Criterion.MECHANICS);
            var again = again(scores, awarded, Set.of(key));
            assertThat(again).extracting(Again::step).containsExactly("warm");
            assertThat(again.get(0).why()).containsExactly("Body mechanics was not observed");
        }
    }

    @Test
    void a_look_at_one_criterion_misses_no_other() {
        var seen = Seen.of(PLAN)
                .sides(Sides.RIGHT)
                .at(0)
                .starts("warm", Side.RIGHT)
                .at(20)
                .looks()
                .at(40)
                .looks()
                .at(50)
                .looks()
                .at(60)
                .finish();
        var only = seen.scores().only(Criterion.MECHANICS);
        assertThat(Outcome.of(only, Map.of(), 0, null).result()).isEqualTo(Outcome.Result.PASS);
        assertThat(only.get(Criterion.PRESSURE).score()).isNull();
    }
}
