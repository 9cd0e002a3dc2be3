package palmtally.core.practical;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import org.hipparchus.stat.correlation.KendallsCorrelation;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.practical.event.Contact;
import palmtally.core.practical.event.ReviewAnswer.Said;
import palmtally.core.practical.event.StepSkip;
import palmtally.core.practical.event.StrokeFault;
import palmtally.core.practical.event.StrokeFault.Flaw;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Block;
import palmtally.core.sequence.Importance;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.PlannedOrder;
import palmtally.core.sequence.Plans;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Stint;
import palmtally.core.technique.Tool;

class OrderScoreTest {
    /** n gentle steps in one ordered block, ids 0 … n − 1. No safety edge among them. */
    private static Sequence chain(int n) {
        return once(IntStream.range(0, n)
                .mapToObj(i -> step(String.valueOf(i)).seconds(10).deep(2))
                .toArray(Plans.Made[]::new));
    }

    private static Seen run(Sequence plan, List<Integer> order) {
        return run(plan, order, 10);
    }

    private static Seen run(Sequence plan, List<Integer> order, double seconds) {
        var seen = Seen.of(plan).sides(Sides.RIGHT);
        for (int i = 0; i < order.size(); i++) seen.at(seconds * i).starts(String.valueOf(order.get(i)), Side.RIGHT);
        return seen.at(seconds * order.size()).finish();
    }

    private static List<Integer> upTo(int n) {
        return new ArrayList<>(IntStream.range(0, n).boxed().toList());
    }

    /** Kendall's tau-a (Kendall 1938) as Hipparchus computes it; without ties tau-a and tau-b are the same. */
    @Test
    void the_concordance_is_kendalls_tau_on_a_thousand_random_orders() {
        var random = new Random(20_261_125);
        for (int trial = 0; trial < 1000; trial++) {
            int n = 2 + random.nextInt(14);
            var plan = chain(n);
            var stints = Stint.of(plan);
            var order = upTo(n);
            Collections.shuffle(order, random);
            var met = new ArrayList<Long>(Collections.nCopies(n, null));
            double[] planned = new double[n];
            double[] done = new double[n];
            for (int place = 0; place < n; place++) met.set(order.get(place), (long) place);
            for (int i = 0; i < n; i++) {
                planned[i] = i;
                done[i] = met.get(i);
            }
            assertThat(Concordance.of(PlannedOrder.of(plan, stints, Profile.bySeconds()), met))
                    .as("order %s", order)
                    .isCloseTo(new KendallsCorrelation().correlation(planned, done), within(1e-12));
        }
    }

    @Nested
    class The_heaviest_in_order {
        private double all(double[] weights, List<Integer> but) {
            return IntStream.range(0, weights.length)
                    .filter(i -> !but.contains(i))
                    .mapToDouble(i -> weights[i])
                    .sum();
        }

        /** The heaviest non-decreasing subsequence by dynamic programming, as second oracle. */
        @Test
        void is_the_heaviest_rising_subsequence_where_the_plan_is_one_chain() {
            var random = new Random(7);
            for (int trial = 0; trial < 300; trial++) {
                int n = 1 + random.nextInt(12);
                var order = upTo(n);
                Collections.shuffle(order, random);
                double[] weights = random.doubles(n, 0.1, 4).toArray();
                double[] best = new double[n];
                double heaviest = 0;
                var wrong = new BitSet[n];
                for (int i = 0; i < n; i++) wrong[i] = new BitSet(n);
                for (int i = 0; i < n; i++) {
                    for (int j = 0; j < i; j++)
                        if (order.get(j) < order.get(i)) best[i] = Math.max(best[i], best[j]);
                        else wrong[order.get(i)].set(order.get(j));
                    best[i] += weights[order.get(i)];
                    heaviest = Math.max(heaviest, best[i]);
                }
                assertThat(all(weights, HeaviestInOrder.moved(wrong, weights)))
                        .as("order %s", order)
                        .isCloseTo(heaviest, within(1e-9));
            }
        }

        /** Any subset without a wrong pair is at most as heavy: tried out in full on partial orders. */
        @Test
        void is_the_heaviest_of_all_subsets_on_partial_orders_too() {
            var random = new Random(11);
            for (int trial = 0; trial < 400; trial++) {
                int n = 1 + random.nextInt(9);
                // Points in space: i above j when it lies beyond it in all three: a partial order by construction.
                double[] planned = random.doubles(n).toArray();
                double[] met = random.doubles(n).toArray();
                double[] third = random.doubles(n).toArray();
                double[] weights = random.doubles(n, 0.1, 4).toArray();
                var wrong = new BitSet[n];
                for (int i = 0; i < n; i++) {
                    wrong[i] = new BitSet(n);
                    for (int j = 0; j < n; j++)
                        if (planned[i] < planned[j] && met[i] > met[j] && (trial % 2 == 0 || third[i] > third[j]))
                            wrong[i].set(j);
                }
                double most = 0;
                for (int set = 0; set < 1 << n; set++) {
                    boolean free = true;
                    double weight = 0;
                    for (int i = 0; i < n && free; i++) {
                        if ((set >> i & 1) == 0) continue;
                        weight += weights[i];
                        for (int j = 0; j < n && free; j++) free = (set >> j & 1) == 0 || !wrong[i].get(j);
                    }
                    if (free) most = Math.max(most, weight);
                }
                var moved = HeaviestInOrder.moved(wrong, weights);
                assertThat(all(weights, moved)).isCloseTo(most, within(1e-9));
                for (int i = 0; i < n; i++)
                    for (int j = 0; j < n; j++)
                        if (!moved.contains(i) && !moved.contains(j))
                            assertThat(wrong[i].get(j)).isFalse();
            }
        }
    }

    /** Nine equal steps: the worked figures of the rule. */
    @Nested
    class Nine_equal_steps {
        private double score(List<Integer> order) {
            return run(chain(9), order).score(Criterion.ORDER);
        }

        private List<Integer> nine(Consumer<List<Integer>> change) {
            var order = upTo(9);
            change.accept(order);
            return order;
        }

        /** By hand: (8 + ¼) ÷ 9, (8 + ¼) ÷ 9, 8 ÷ 9, (1 + 8·¼) ÷ 9. */
        @Test
        void score_as_worked() {
            assertThat(score(upTo(9))).isEqualTo(100);
            assertThat(score(nine(o -> Collections.swap(o, 3, 4)))).isCloseTo(825 / 9.0, within(1e-9));
            assertThat(score(nine(o -> o.add(o.remove(0))))).isCloseTo(825 / 9.0, within(1e-9));
            assertThat(score(nine(o -> o.remove(0)))).isCloseTo(800 / 9.0, within(1e-9));
            assertThat(score(nine(Collections::reverse))).isCloseTo(300 / 9.0, within(1e-9));
        }

        /** By hand: all eight safety edges broken, S = 0.4. Last: 0.4 · (8 + ¼) ÷ 9; left out: 0.4 · 8 ÷ 9. */
        @Test
        void behind_the_only_warm_up() {
            var steps = new Plans.Made[9];
            for (int i = 0; i < 9; i++) {
                steps[i] = step(String.valueOf(i)).on(Zone.CALF).seconds(60);
                if (i > 0)
                    steps[i].technique("fist-glide")
                            .with(Tool.LOOSE_FIST)
                            .deep(4)
                            .phase(Phase.TREAT);
            }
            var plan = once(steps);
            assertThat(run(plan, nine(o -> o.add(o.remove(0))), 60).score(Criterion.ORDER))
                    .isCloseTo(40 * 8.25 / 9, within(1e-9));
            assertThat(run(plan, nine(o -> o.remove(0)), 60).score(Criterion.ORDER))
                    .isCloseTo(40 * 8.0 / 9, within(1e-9));
        }

        /** Three zones of a warm-up and two firm steps: one zone cold breaks two edges of six. By hand: 0.8 · (8 + ¼) ÷ 9. */
        @Test
        void on_three_zones_one_of_them_cold() {
            var zones = new Zone[] {Zone.CALF, Zone.HAMSTRINGS, Zone.SOLE};
            var steps = new Plans.Made[9];
            for (int i = 0; i < 9; i++) {
                steps[i] = step(String.valueOf(i)).on(zones[i / 3]).seconds(60);
                if (i % 3 > 0)
                    steps[i].technique("fist-glide")
                            .with(Tool.LOOSE_FIST)
                            .deep(4)
                            .phase(Phase.TREAT);
            }
            assertThat(run(once(steps), nine(o -> o.add(2, o.remove(0))), 60).score(Criterion.ORDER))
                    .isCloseTo(80 * 8.25 / 9, within(1e-9));
        }
    }

    /** A quarter of a short order is no order: by hand 1 of 2, and 2 of 3. */
    @Test
    void in_a_brief_of_fewer_than_four_steps_what_is_out_of_place_counts_nothing() {
        assertThat(run(chain(2), List.of(1, 0)).score(Criterion.ORDER)).isEqualTo(50);
        assertThat(run(chain(3), List.of(0, 2, 1)).score(Criterion.ORDER)).isCloseTo(200 / 3.0, within(1e-9));
    }

    @Test
    void one_step_alone_is_not_asked_for_its_order() {
        var alone = run(chain(1), List.of(0)).scored(Criterion.ORDER);
        assertThat(alone.score()).isNull();
        assertThat(alone.applicable()).isFalse();
        assertThat(alone.why()).isEqualTo("one step alone has no order");
    }

    /** What is asked to be moved is the lightest that will do, and named. */
    @Test
    void the_lightest_are_asked_to_be_moved() {
        var plan = once(
                step("0").seconds(10).deep(2).importance(Importance.COULD),
                step("1").seconds(10).deep(2).importance(Importance.MUST),
                step("2").seconds(10).deep(2).importance(Importance.MUST),
                step("3").seconds(10).deep(2).importance(Importance.MUST));
        var seen = run(plan, List.of(1, 2, 3, 0));
        assertThat(seen.findings(Rule.of("ORDER-RUN")))
                .singleElement()
                .satisfies(f -> assertThat(f.where().step()).isEqualTo("0"));
        assertThat(seen.score(Criterion.ORDER)).isCloseTo(100 * 12.25 / 13, within(1e-9));
    }

    @Test
    void a_run_in_full_and_in_order_scores_100() {
        assertThat(run(chain(6), upTo(6)).score(Criterion.ORDER)).isEqualTo(100);
    }

    @Test
    void any_swap_of_two_comparable_steps_lowers_it() {
        for (int i = 0; i < 6; i++)
            for (int j = i + 1; j < 6; j++) {
                var order = upTo(6);
                Collections.swap(order, i, j);
                assertThat(run(chain(6), order).score(Criterion.ORDER)).isLessThan(100);
            }
    }

    /** By hand: weights 4, 2, 1; the should-step had 4 of its least 8 s; K = (4 + 1 + 1) ÷ 7. */
    @Test
    void coverage_weighs_by_importance_against_the_least_dose() {
        var plan = once(
                step("0").seconds(10).least(8).importance(Importance.MUST),
                step("1").seconds(10).least(8).importance(Importance.SHOULD),
                step("2").seconds(10).least(8).importance(Importance.COULD));
        var seen = Seen.of(plan)
                .sides(Sides.RIGHT)
                .at(0)
                .starts("0", Side.RIGHT)
                .at(10)
                .starts("1", Side.RIGHT);
        seen.at(14).starts("2", Side.RIGHT).at(24).finish();
        assertThat(seen.part(Criterion.ORDER, "done in its place")).isCloseTo(6.0 / 7, within(1e-12));
        assertThat(seen.score(Criterion.ORDER)).isCloseTo(600.0 / 7, within(1e-9));
        assertThat(seen.findings(Rule.of("ORDER-COVER")))
                .singleElement()
                .satisfies(f -> assertThat(f.sentence()).contains("0:04 of at least 0:08"));
    }

    @Test
    void in_a_block_of_any_order_every_order_is_right() {
        var plan = Plans.of(
                3600,
                Plans.block(
                        "a",
                        Block.Order.ANY_ORDER,
                        Block.Repeat.ONCE,
                        step("0").seconds(10),
                        step("1").seconds(10)));
        assertThat(run(plan, List.of(1, 0)).score(Criterion.ORDER)).isEqualTo(100);
    }

    @Test
    void a_closing_step_counts_when_it_was_last_done() {
        var plan = once(step("0").seconds(10), step("1").seconds(10).phase(Phase.FLUSH));
        var seen = Seen.of(plan)
                .sides(Sides.RIGHT)
                .at(0)
                .starts("1", Side.RIGHT)
                .at(10)
                .starts("0", Side.RIGHT);
        assertThat(seen.at(20).starts("1", Side.RIGHT).at(30).finish().score(Criterion.ORDER))
                .isEqualTo(100);
    }

    @Nested
    class A_warm_up {
        private final Sequence plan = once(
                step("w").on(Zone.CALF).seconds(60),
                step("f")
                        .technique("fist-glide")
                        .with(Tool.LOOSE_FIST)
                        .on(Zone.CALF)
                        .deep(4)
                        .seconds(60)
                        .phase(Phase.TREAT),
                step("x").on(Zone.CALF).seconds(30).phase(Phase.FLUSH));

        private double score(String... order) {
            return done(order).score(Criterion.ORDER);
        }

        private Seen done(String... order) {
            var seen = Seen.of(plan).sides(Sides.RIGHT);
            int at = 0;
            for (var id : order) {
                seen.at(at).starts(id, Side.RIGHT);
                at += 60;
            }
            return seen.at(at).finish();
        }

        @Test
        void left_out_is_never_better_than_late() {
            assertThat(score("f", "x")).isLessThanOrEqualTo(score("f", "w", "x"));
            assertThat(score("f", "w", "x")).isLessThan(score("w", "f", "x"));
        }

        /** Ten steps between: only one of them is firm, yet all that came later came unwarmed. */
        @Test
        void left_out_is_never_better_than_last_in_a_long_run() {
            var steps = new Plans.Made[12];
            for (int i = 0; i < steps.length; i++)
                steps[i] = step(String.valueOf(i))
                        .on(i == 0 || i == 11 ? Zone.CALF : Zone.SOLE)
                        .seconds(60);
            steps[11].technique("fist-glide").with(Tool.LOOSE_FIST).deep(4).phase(Phase.TREAT);
            var longer = once(steps);
            var without = upTo(12);
            without.remove(0);
            var last = new ArrayList<>(without);
            last.add(0);
            assertThat(run(longer, without).score(Criterion.ORDER))
                    .isLessThanOrEqualTo(run(longer, last).score(Criterion.ORDER));
        }

        @Test
        void left_out_is_named() {
            var seen = Seen.of(plan)
                    .sides(Sides.RIGHT)
                    .at(0)
                    .starts("f", Side.RIGHT)
                    .at(60)
                    .finish();
            assertThat(seen.findings(Rule.of("ORDER-WARM")))
                    .anySatisfy(f -> assertThat(f.sentence()).contains("should have warmed the zone"));
        }

        /** By hand: one edge of one broken, S = 0.4; three steps, so that what is out of place counts nothing: 0.4 · 2 ÷ 3. */
        @Test
        void late_costs_three_fifths_and_its_place() {
            assertThat(score("f", "w", "x")).isCloseTo(80 / 3.0, within(1e-9));
            assertThat(done("f", "w", "x").findings(Rule.of("ORDER-WARM")))
                    .anySatisfy(f -> assertThat(f.sentence()).contains("came after it"));
        }
    }

    @Nested
    class Of_two_sides {
        private final Sequence plan =
                eachSide(step("0").seconds(60), step("1").seconds(60).deep(3));

        private Seen both(double left) {
            return Seen.of(plan)
                    .at(0)
                    .starts("0", Side.RIGHT)
                    .at(60)
                    .starts("1", Side.RIGHT)
                    .at(120)
                    .starts("0", Side.LEFT)
                    .at(120 + left / 2)
                    .starts("1", Side.LEFT)
                    .at(120 + left)
                    .finish();
        }

        @Test
        void both_alike_score_100() {
            assertThat(both(120).score(Criterion.ORDER)).isEqualTo(100);
        }

        /** By hand: each step had 36 s against 60 s, 0.6 of the sides, 0.6 ÷ 0.8 = ¾ of 5 points; all least doses of 30 s are met. */
        @Test
        void a_shorter_second_side_costs_its_share_of_five_points() {
            assertThat(both(72).score(Criterion.ORDER)).isCloseTo(95 + 5 * 0.75, within(1e-9));
            assertThat(both(72).findings(Rule.of("ORDER-SIDES"))).hasSize(1);
        }

        /** By hand: half of all is done, in order, no second side and no time of it: 0.85 · 50. */
        @Test
        void a_second_side_left_out_is_half() {
            var seen = Seen.of(plan)
                    .at(0)
                    .starts("0", Side.RIGHT)
                    .at(60)
                    .starts("1", Side.RIGHT)
                    .at(120)
                    .finish();
            assertThat(seen.score(Criterion.ORDER)).isCloseTo(42.5, within(1e-9));
            assertThat(seen.findings(Rule.of("ORDER-SIDES")))
                    .anySatisfy(f -> assertThat(f.sentence()).isEqualTo("The left side was left out."));
        }

        @Test
        void one_that_was_seen_to_begin_firm_did_not_restart_gently() {
            var seen = both(120);
            seen.at(121).tap(Contact.ofDepth(4));
            assertThat(seen.score(Criterion.ORDER)).isCloseTo(90, within(1e-9));
            assertThat(seen.findings(Rule.of("ORDER-SIDES")))
                    .anySatisfy(f -> assertThat(f.sentence()).contains("at depth 4"));
        }

        /** The plan itself opens each side firm and gives the left less: who follows it loses nothing. */
        @Test
        void following_the_plan_costs_nothing() {
            var firm = once(
                    step("0").side(Sides.EACH).seconds(60).deep(4),
                    step("1").side(Sides.RIGHT).seconds(60));
            var seen = Seen.of(firm).at(0).starts("0", Side.RIGHT).at(60).starts("0", Side.LEFT);
            seen.at(120).starts("1", Side.RIGHT).at(180).finish();
            assertThat(seen.score(Criterion.ORDER)).isEqualTo(100);
        }

        @Test
        void may_begin_on_either_side() {
            var seen = Seen.of(plan).at(0).starts("0", Side.LEFT).at(60).starts("1", Side.LEFT);
            seen.at(120)
                    .starts("0", Side.RIGHT)
                    .at(180)
                    .starts("1", Side.RIGHT)
                    .at(240)
                    .finish();
            assertThat(seen.score(Criterion.ORDER)).isEqualTo(100);
        }
    }

    @Test
    void nothing_seen_is_no_score() {
        assertThat(Seen.of(chain(3)).finish().scored(Criterion.ORDER).score()).isNull();
    }

    @Nested
    class A_step_without_a_tap {
        /** Eyes away from 21 s to 29 s or longer, while the third of four steps had its place; the fourth begins at 30 s. */
        private Seen away(double from, double to) {
            var seen = Seen.of(chain(4))
                    .sides(Sides.RIGHT)
                    .at(0)
                    .starts("0", Side.RIGHT)
                    .at(10)
                    .starts("1", Side.RIGHT);
            return seen.at(from)
                    .eyes(false)
                    .at(to)
                    .eyes(true)
                    .at(30)
                    .starts("3", Side.RIGHT)
                    .at(40)
                    .finish();
        }

        @Test
        void is_a_question_where_its_place_was_not_watched() {
            var order = away(20, 26).scored(Criterion.ORDER);
            assertThat(order.score()).isNull();
            assertThat(order.why()).isEqualTo("1 question at review");
            assertThat(order.questions()).singleElement().satisfies(q -> {
                assertThat(q.key()).isEqualTo("step/2/right");
                assertThat(q.atMs()).isEqualTo(10_000);
                assertThat(q.answers()).containsExactly(Said.LEFT_OUT, Said.NOT_SEEN);
            });
            assertThat(away(20, 26).findings(Rule.of("ORDER-COVER"))).isEmpty();
        }

        /** A glance of 5 s is no reason to ask: the step was left out. By hand: three of four. */
        @Test
        void was_left_out_where_its_place_was_watched() {
            assertThat(away(20, 25).score(Criterion.ORDER)).isCloseTo(75, within(1e-9));
            assertThat(away(20, 25).findings(Rule.of("ORDER-COVER"))).hasSize(1);
        }

        /** By hand: left out is three of four, not seen is outside and the other three are all. */
        @Test
        void is_what_the_grader_says_of_it() {
            assertThat(away(20, 29).reviewed("step/2/right", Said.LEFT_OUT).score(Criterion.ORDER))
                    .isCloseTo(75, within(1e-9));
            assertThat(away(20, 29).reviewed("step/2/right", Said.NOT_SEEN).score(Criterion.ORDER))
                    .isCloseTo(100, within(1e-9));
        }

        @Test
        void was_left_out_where_that_was_tapped() {
            var seen = Seen.of(chain(4))
                    .sides(Sides.RIGHT)
                    .at(0)
                    .starts("0", Side.RIGHT)
                    .at(10)
                    .starts("1", Side.RIGHT);
            seen.at(12)
                    .tap(new StepSkip("2", Side.RIGHT, null))
                    .at(13)
                    .eyes(false)
                    .at(30)
                    .starts("3", Side.RIGHT);
            assertThat(seen.at(40).finish().score(Criterion.ORDER)).isCloseTo(75, within(1e-9));
        }

        /** The last has its place between the one before it and the end of the run. */
        @Test
        void has_its_place_at_the_start_or_the_end_where_nothing_is_beside_it() {
            var seen = Seen.of(chain(2))
                    .sides(Sides.RIGHT)
                    .at(20)
                    .starts("0", Side.RIGHT)
                    .at(30)
                    .eyes(false);
            seen.at(40).finish();
            assertThat(seen.scored(Criterion.ORDER).questions())
                    .extracting(Question::key)
                    .containsExactly("step/1/right");
            var first = Seen.unwatched(chain(2))
                    .sides(Sides.RIGHT)
                    .at(8)
                    .eyes(true)
                    .at(20)
                    .starts("1", Side.RIGHT);
            assertThat(first.at(30).finish().scored(Criterion.ORDER).questions())
                    .extracting(Question::key)
                    .containsExactly("step/0/right");
        }
    }

    /** What nobody saw of the other side is not held against the one that was: neither its restart nor its time. */
    @ParameterizedTest
    @EnumSource(
            value = Side.class,
            names = {"LEFT", "RIGHT"})
    void one_side_seen_of_two_is_marked_as_one(Side side) {
        var seen = Seen.of(eachSide(
                        step("0").seconds(10).deep(4), step("1").seconds(10).deep(4)))
                .sides(Sides.EACH)
                .at(0)
                .starts("0", side)
                .at(10)
                .starts("1", side);
        seen.at(20).eyes(false).at(90).finish();
        for (int i = 0; i < 2; i++)
            seen.reviewed("step/" + i + (side == Side.LEFT ? "/right" : "/left"), Said.NOT_SEEN);
        var order = seen.scored(Criterion.ORDER);
        assertThat(seen.score(Criterion.ORDER)).isEqualTo(100);
        assertThat(order.parts())
                .extracting(Scored.Part::name)
                .doesNotContain("time of the sides", "second side restarts gently");
    }

    /** Half of those asked must be known, done or left out: of six steps, two done and one that nobody saw are too few. */
    @Test
    void of_fewer_than_half_the_steps_says_too_little_was_seen() {
        var seen = Seen.of(chain(6))
                .sides(Sides.RIGHT)
                .at(0)
                .starts("0", Side.RIGHT)
                .at(10)
                .starts("1", Side.RIGHT);
        seen.at(20).eyes(false).at(90).finish();
        for (int i = 2; i < 6; i++) seen.reviewed("step/" + i + "/right", Said.NOT_SEEN);
        assertThat(seen.scored(Criterion.ORDER).why()).isEqualTo("too little seen: 2 of 3 asked steps");
        seen.reviewed("step/5/right", Said.LEFT_OUT);
        assertThat(seen.score(Criterion.ORDER)).isCloseTo(200.0 / 3, within(1e-9));
    }

    /** By hand: four steps of 10 s, one of them the wrong way for half of its dose: 3½ of 4; twice wrong is not more wrong. */
    @ParameterizedTest
    @EnumSource(value = Flaw.class)
    void what_goes_the_wrong_way_is_worth_half(Flaw flaw) {
        var seen =
                run(chain(4), upTo(4)).at(12).tap(new StrokeFault(flaw)).at(14).tap(new StrokeFault(flaw));
        boolean astray = flaw == Flaw.WRONG_DIRECTION || flaw == Flaw.WRONG_LANDMARK;
        assertThat(seen.score(Criterion.ORDER)).isCloseTo(astray ? 87.5 : 100, within(1e-9));
        assertThat(seen.findings(Rule.of("ORDER-WAY"))).hasSize(astray ? 2 : 0);
    }
}
