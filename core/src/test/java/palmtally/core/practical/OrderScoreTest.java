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
import java.util.stream.IntStream;
import org.hipparchus.stat.correlation.KendallsCorrelation;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
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
        var seen = Seen.of(plan).sides(Sides.RIGHT);
        for (int i = 0; i < order.size(); i++) seen.at(10 * i).starts(String.valueOf(order.get(i)), Side.RIGHT);
        return seen.at(10.0 * order.size()).finish();
    }

    private static List<Integer> upTo(int n) {
        return new ArrayList<>(IntStream.range(0, n).boxed().toList());
    }

    @Nested
    class Concordance_on_one_ordered_block {
        /** Kendall's tau-a (Kendall 1938) as Hipparchus computes it; without ties tau-a and tau-b are the same. */
        @Test
        void is_kendalls_tau_on_a_thousand_random_orders() {
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
                var g = Concordance.of(PlannedOrder.of(plan, stints, Profile.bySeconds()), stints, met, 1.5);
                assertThat(g.value())
                        .as("order %s", order)
                        .isCloseTo(new KendallsCorrelation().correlation(planned, done), within(1e-12));
            }
        }

        /** The fewest to move is n less the longest increasing subsequence, here by dynamic programming as second oracle. */
        @Test
        void asks_to_move_as_few_steps_as_the_longest_increasing_subsequence_leaves() {
            var random = new Random(7);
            for (int trial = 0; trial < 300; trial++) {
                int n = 1 + random.nextInt(12);
                var order = upTo(n);
                Collections.shuffle(order, random);
                int[] best = new int[n];
                int longest = 0;
                for (int i = 0; i < n; i++) {
                    best[i] = 1;
                    for (int j = 0; j < i; j++)
                        if (order.get(j) < order.get(i)) best[i] = Math.max(best[i], best[j] + 1);
                    longest = Math.max(longest, best[i]);
                }
                var moved = run(chain(n), order).findings(Rule.ORDER_RUN);
                assertThat(moved).as("order %s", order).hasSize(n - longest);
            }
        }

        /** Any subset without a discordant pair is at most as large as what is left: tried out in full on partial orders. */
        @Test
        void moves_the_fewest_on_partial_orders_too() {
            var random = new Random(11);
            for (int trial = 0; trial < 200; trial++) {
                int n = 1 + random.nextInt(8);
                // Points in the plane: i above j when it is planned before and met after: a partial order by
                // construction.
                double[] planned = random.doubles(n).toArray();
                double[] met = random.doubles(n).toArray();
                double[] third = random.doubles(n).toArray();
                var above = new BitSet[n];
                for (int i = 0; i < n; i++) {
                    above[i] = new BitSet(n);
                    for (int j = 0; j < n; j++)
                        if (planned[i] < planned[j] && met[i] > met[j] && third[i] > third[j]) above[i].set(j);
                }
                int most = 0;
                for (int set = 0; set < 1 << n; set++) {
                    boolean free = true;
                    for (int i = 0; i < n && free; i++)
                        for (int j = 0; j < n && free; j++)
                            free = (set >> i & 1) == 0 || (set >> j & 1) == 0 || !above[i].get(j);
                    if (free) most = Math.max(most, Integer.bitCount(set));
                }
                var moved = Concordance.fewestMoved(above);
                assertThat(moved).hasSize(n - most);
                for (int i = 0; i < n; i++)
                    for (int j = 0; j < n; j++)
                        if (!moved.contains(i) && !moved.contains(j))
                            assertThat(above[i].get(j)).isFalse();
            }
        }
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

    @Test
    void the_reverse_scores_nothing_and_never_less() {
        var order = upTo(6);
        Collections.reverse(order);
        assertThat(run(chain(6), order).score(Criterion.ORDER)).isZero();
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
        assertThat(seen.part(Criterion.ORDER, "coverage")).isCloseTo(6.0 / 7, within(1e-12));
        assertThat(seen.score(Criterion.ORDER)).isCloseTo(600.0 / 7, within(1e-9));
        assertThat(seen.findings(Rule.ORDER_COVER))
                .singleElement()
                .satisfies(f -> assertThat(f.sentence()).contains("0:04 of at least 0:08"));
    }

    /** Blocks of 2 and 1: the two pairs across weigh (2 + 1) ÷ 2 together, the pair within 1. One across is wrong: (1 + ¾ − ¾) ÷ 2½. */
    @Test
    void pairs_across_two_blocks_weigh_half_their_sizes_together() {
        var plan = Plans.of(
                3600,
                Plans.block(
                        "a",
                        Block.Order.IN_ORDER,
                        Block.Repeat.ONCE,
                        step("0").seconds(10),
                        step("1").seconds(10)),
                Plans.block(
                        "b", Block.Order.IN_ORDER, Block.Repeat.ONCE, step("2").seconds(10)));
        assertThat(run(plan, List.of(0, 2, 1)).part(Criterion.ORDER, "concordance"))
                .isCloseTo(1 / 2.5, within(1e-12));
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
            var seen = Seen.of(plan).sides(Sides.RIGHT);
            int at = 0;
            for (var id : order) {
                seen.at(at).starts(id, Side.RIGHT);
                at += 60;
            }
            return seen.at(at).finish().score(Criterion.ORDER);
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
            assertThat(seen.findings(Rule.ORDER_WARM))
                    .anySatisfy(f -> assertThat(f.sentence()).contains("should have warmed the zone"));
        }

        /** By hand: pairs w–f weigh 1½, w–x and f–x 1 each; f before w: (1 + 1 − 1½) ÷ 3½. */
        @Test
        void weighs_one_and_a_half() {
            var seen = Seen.of(plan)
                    .sides(Sides.RIGHT)
                    .at(0)
                    .starts("f", Side.RIGHT)
                    .at(60)
                    .starts("w", Side.RIGHT);
            seen.at(120).starts("x", Side.RIGHT).at(180).finish();
            assertThat(seen.part(Criterion.ORDER, "concordance")).isCloseTo(0.5 / 3.5, within(1e-12));
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

        /** By hand: 72 s against 120 s is 0.6 of the sides, 0.6 ÷ 0.8 = ¾ of 5 points; all least doses of 30 s are met. */
        @Test
        void a_shorter_second_side_costs_its_share_of_five_points() {
            assertThat(both(72).score(Criterion.ORDER)).isCloseTo(95 + 5 * 0.75, within(1e-9));
            assertThat(both(72).findings(Rule.ORDER_SIDES)).hasSize(1);
        }

        /** By hand: half of all is covered, in order: 0.85 · 50. */
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
            assertThat(seen.findings(Rule.ORDER_SIDES))
                    .anySatisfy(f -> assertThat(f.sentence()).isEqualTo("The left side was left out."));
        }

        @Test
        void one_that_was_seen_to_begin_firm_did_not_restart_gently() {
            var seen = both(120);
            seen.at(121).tap(EventKind.CONTACT, d -> d.depth(4));
            assertThat(seen.score(Criterion.ORDER)).isCloseTo(90, within(1e-9));
            assertThat(seen.findings(Rule.ORDER_SIDES))
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
}
