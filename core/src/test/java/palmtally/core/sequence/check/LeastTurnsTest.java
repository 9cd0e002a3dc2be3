package palmtally.core.sequence.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.BitSet;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class LeastTurnsTest {
    private record Puzzle(int[] colours, BitSet[] after) {
        static Puzzle random(long seed, int n, int kinds, double links) {
            var chance = new Random(seed);
            var colours = IntStream.range(0, n).map(i -> chance.nextInt(kinds)).toArray();
            var after = new BitSet[n];
            for (int i = 0; i < n; i++) {
                after[i] = new BitSet();
                for (int j = i + 1; j < n; j++) if (chance.nextDouble() < links) after[i].set(j);
            }
            return new Puzzle(colours, after);
        }

        LeastTurns solved() {
            return LeastTurns.of(colours, i -> after[i]);
        }

        boolean allows(int[] order) {
            var place = new int[order.length];
            for (int i = 0; i < order.length; i++) place[order[i]] = i;
            for (int i = 0; i < order.length; i++)
                for (int j = after[i].nextSetBit(0); j >= 0; j = after[i].nextSetBit(j + 1))
                    if (place[i] > place[j]) return false;
            return true;
        }

        int turns(int[] order) {
            return (int) IntStream.range(1, order.length)
                    .filter(i -> colours[order[i]] != colours[order[i - 1]])
                    .count();
        }

        /** Every order there is. */
        int bruteForce() {
            return tryAll(new int[colours.length], 0, new BitSet());
        }

        private int tryAll(int[] order, int at, BitSet used) {
            if (at == order.length) return allows(order) ? turns(order) : Integer.MAX_VALUE;
            int best = Integer.MAX_VALUE;
            for (int v = 0; v < order.length; v++) {
                if (used.get(v)) continue;
                used.set(v);
                order[at] = v;
                best = Math.min(best, tryAll(order, at + 1, used));
                used.clear(v);
            }
            return best;
        }
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, 0.1, 0.25, 0.5})
    void is_what_trying_every_order_finds(double links) {
        for (long seed = 0; seed < 60; seed++) {
            int n = 2 + (int) (seed % 6);
            var puzzle = Puzzle.random(seed, n, 2 + (int) (seed % 3), links);
            var found = puzzle.solved();
            assertThat(found.exact()).isTrue();
            assertThat(puzzle.allows(found.order())).isTrue();
            assertThat(puzzle.turns(found.order())).isEqualTo(found.turns());
            assertThat(found.turns()).as("seed %d", seed).isEqualTo(puzzle.bruteForce());
        }
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.01, 0.03, 0.1})
    void is_exact_for_eighty_steps_in_five_positions(double links) {
        for (long seed = 0; seed < 5; seed++) {
            var puzzle = Puzzle.random(seed, 80, 5, links);
            var found = puzzle.solved();
            assertThat(found.exact()).isTrue();
            assertThat(puzzle.allows(found.order())).isTrue();
            assertThat(found.order()).hasSize(80).doesNotHaveDuplicates();
        }
    }

    /** However early it is given up there is an order that keeps the links, and it says that it may not be the best. */
    @ParameterizedTest
    @ValueSource(ints = {0, 1, 3})
    void given_up_early_it_still_keeps_every_link(int states) {
        for (long seed = 0; seed < 20; seed++) {
            var puzzle = Puzzle.random(seed, 30, 4, 0.06);
            var found = LeastTurns.of(puzzle.colours, i -> puzzle.after[i], states);
            assertThat(found.exact()).isFalse();
            assertThat(found.order()).hasSize(30).doesNotHaveDuplicates();
            assertThat(puzzle.allows(found.order())).isTrue();
            assertThat(puzzle.turns(found.order())).isEqualTo(found.turns());
            assertThat(found.turns())
                    .isBetween(puzzle.solved().turns(), puzzle.solved().turns() + 4);
        }
    }

    @Test
    void without_links_is_one_less_than_the_positions_there_are() {
        assertThat(LeastTurns.of(new int[] {0, 1, 0, 2, 1, 0}, i -> new BitSet())
                        .turns())
                .isEqualTo(2);
        assertThat(LeastTurns.of(new int[] {3, 3}, i -> new BitSet()).turns()).isZero();
    }

    @Test
    void a_circle_of_links_is_refused() {
        var circle = new BitSet[] {new BitSet(), new BitSet()};
        circle[0].set(1);
        circle[1].set(0);
        assertThatThrownBy(() -> LeastTurns.of(new int[] {0, 1}, i -> circle[i]))
                .isInstanceOf(IllegalArgumentException.class);
        assertThat(Arrays.asList(circle)).hasSize(2);
    }
}
