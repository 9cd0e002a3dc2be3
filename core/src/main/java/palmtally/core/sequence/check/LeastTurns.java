package palmtally.core.sequence.check;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.PriorityQueue;
import java.util.function.IntFunction;
import org.jspecify.annotations.Nullable;

/**
 * The least number of times a client has to be turned so that every step is done after what must come before it.
 *
 * <p>An order is a row of runs, one position each. In the best order each run takes everything that its position allows by then: what
 * is left for a later run of the same position gains nothing by waiting. So a plan is a row of positions, and the steps done after
 * it are its state. A* searches the states: cost is the number of runs; the bound for what is left is the larger of the number of
 * positions that still occur and of the changes of position along the longest chain of links. A position all of whose steps can be
 * finished now is finished at once: it needs one run at least, and none is saved by coming back.
 *
 * @param order places of the steps, in the best order
 * @param turns changes of position in it
 * @param exact false only where the search was given up after {@value #MOST_STATES} states; then {@code turns} may not be least
 */
record LeastTurns(int[] order, int turns, boolean exact) {
    private static final int MOST_STATES = 400_000;

    private record State(
            BitSet done,
            int colour,
            int runs,
            int bound,
            @Nullable State before) {
        int least() {
            return runs + bound;
        }
    }

    /**
     * @param colours position of each step
     * @param after places that must come after each place; without circles
     */
    static LeastTurns of(int[] colours, IntFunction<BitSet> after) {
        return of(colours, after, MOST_STATES);
    }

    static LeastTurns of(int[] colours, IntFunction<BitSet> after, int mostStates) {
        return new Search(colours, after, mostStates).run();
    }

    private static final class Search {
        final int[] colours;
        final int n;
        final int mostStates;
        final BitSet[] before;
        final BitSet[] ofColour;
        /** Runs on the longest chain of links that starts at each place, its own included. */
        final int[] tail;

        Search(int[] colours, IntFunction<BitSet> after, int mostStates) {
            this.mostStates = mostStates;
            this.colours = colours;
            n = colours.length;
            before = new BitSet[n];
            for (int i = 0; i < n; i++) before[i] = new BitSet(n);
            for (int i = 0; i < n; i++) {
                var to = after.apply(i);
                for (int j = to.nextSetBit(0); j >= 0; j = to.nextSetBit(j + 1)) before[j].set(i);
            }
            int most = Arrays.stream(colours).max().orElse(0);
            ofColour = new BitSet[most + 1];
            for (int c = 0; c <= most; c++) ofColour[c] = new BitSet(n);
            for (int i = 0; i < n; i++) ofColour[colours[i]].set(i);
            tail = new int[n];
            var order = topological();
            for (int k = n - 1; k >= 0; k--) {
                int v = order[k];
                tail[v] = Math.max(tail[v], 1);
                for (int p = before[v].nextSetBit(0); p >= 0; p = before[v].nextSetBit(p + 1))
                    tail[p] = Math.max(tail[p], tail[v] + (colours[p] == colours[v] ? 0 : 1));
            }
        }

        private int[] topological() {
            var order = new int[n];
            var done = new BitSet(n);
            for (int k = 0; k < n; ) {
                int had = k;
                for (int v = 0; v < n; v++)
                    if (!done.get(v) && within(before[v], done)) {
                        done.set(v);
                        order[k++] = v;
                    }
                if (k == had) throw new IllegalArgumentException("the links have a circle");
            }
            return order;
        }

        private static boolean within(BitSet part, BitSet whole) {
            for (int i = part.nextSetBit(0); i >= 0; i = part.nextSetBit(i + 1)) if (!whole.get(i)) return false;
            return true;
        }

        /** Everything of a colour that can be done now, one after another; the places in the order they come free. */
        private List<Integer> taken(BitSet done, int colour) {
            var now = (BitSet) done.clone();
            var taken = new ArrayList<Integer>();
            boolean more = true;
            while (more) {
                more = false;
                for (int v = ofColour[colour].nextSetBit(0); v >= 0; v = ofColour[colour].nextSetBit(v + 1))
                    if (!now.get(v) && within(before[v], now)) {
                        now.set(v);
                        taken.add(v);
                        more = true;
                    }
            }
            return taken;
        }

        private int bound(BitSet done) {
            int chain = 0;
            int kinds = 0;
            for (var colour : ofColour) if (!within(colour, done)) kinds++;
            for (int v = done.nextClearBit(0); v < n; v = done.nextClearBit(v + 1)) chain = Math.max(chain, tail[v]);
            return Math.max(chain, kinds);
        }

        LeastTurns run() {
            var open = new PriorityQueue<State>(
                    Comparator.comparingInt(State::least).thenComparing(s -> -s.done.cardinality()));
            var best = new HashMap<BitSet, Integer>();
            var closed = new HashSet<BitSet>();
            open.add(new State(new BitSet(n), -1, 0, bound(new BitSet(n)), null));
            int seen = 0;
            while (true) {
                var state = open.poll();
                if (state == null) throw new IllegalStateException("no order, though the links have no circle");
                if (state.done.cardinality() == n) return result(state, true);
                if (!closed.add(state.done)) continue;
                if (++seen > mostStates) return result(greedy(state), false);
                for (var next : successors(state)) {
                    var known = best.get(next.done);
                    if (known != null && known <= next.runs) continue;
                    best.put(next.done, next.runs);
                    open.add(next);
                }
            }
        }

        private List<State> successors(State state) {
            var all = new ArrayList<State>();
            for (int c = 0; c < ofColour.length; c++) {
                if (c == state.colour || within(ofColour[c], state.done)) continue;
                var taken = taken(state.done, c);
                if (taken.isEmpty()) continue;
                var done = (BitSet) state.done.clone();
                taken.forEach(done::set);
                var next = new State(done, c, state.runs + 1, bound(done), state);
                if (within(ofColour[c], done)) return List.of(next);
                all.add(next);
            }
            return all;
        }

        private State greedy(State from) {
            var state = from;
            while (state.done.cardinality() < n)
                state = successors(state).stream()
                        .max(Comparator.comparingInt(s -> s.done.cardinality()))
                        .orElseThrow();
            return state;
        }

        private LeastTurns result(State end, boolean exact) {
            var path = new ArrayList<State>();
            for (var s = end; s.before != null; s = s.before) path.add(0, s);
            var order = new ArrayList<Integer>();
            var done = new BitSet(n);
            for (var s : path) {
                var taken = taken(done, s.colour);
                taken.forEach(done::set);
                order.addAll(taken);
            }
            return new LeastTurns(
                    order.stream().mapToInt(Integer::intValue).toArray(), Math.max(0, path.size() - 1), exact);
        }
    }
}
