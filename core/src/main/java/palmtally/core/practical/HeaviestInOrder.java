package palmtally.core.practical;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;

/**
 * The heaviest set of stints without a pair in wrong order. That a stint is planned before another and was met after it is a partial
 * order, so the set is its heaviest antichain: by Dilworth's theorem, weighted, all the weight less the greatest flow through the
 * bipartite split (Dilworth 1950; Fulkerson 1956; from memory), and by König's what is in no least cut.
 */
final class HeaviestInOrder {
    /** Weights are sums of products of small numbers: what is less than this is nothing. */
    private static final double NOTHING = 1e-12;

    private final BitSet[] wrong;
    private final double[] free;
    private final double[] taken;
    private final double[][] flow;

    private HeaviestInOrder(BitSet[] wrong, double[] weights) {
        this.wrong = wrong;
        this.free = weights.clone();
        this.taken = weights.clone();
        this.flow = new double[weights.length][weights.length];
    }

    /**
     * What stands in the way, lightest together.
     *
     * @param wrong {@code wrong[i]} holds each j planned after i and met before it; a partial order
     * @param weights above 0, one a stint
     * @return indices of those that are not in the heaviest set, ascending
     */
    static List<Integer> moved(BitSet[] wrong, double[] weights) {
        var split = new HeaviestInOrder(wrong, weights);
        while (split.augment()) {}
        return split.cut();
    }

    /** Sends as much as goes along one shortest way from a stint's first copy to another's second. */
    private boolean augment() {
        int n = free.length;
        int[] from = new int[2 * n];
        Arrays.fill(from, -1);
        var queue = new ArrayDeque<Integer>();
        for (int i = 0; i < n; i++)
            if (free[i] > NOTHING) {
                from[i] = i;
                queue.add(i);
            }
        while (!queue.isEmpty()) {
            int at = queue.remove();
            if (at >= n) {
                int j = at - n;
                if (taken[j] > NOTHING) {
                    send(from, at);
                    return true;
                }
                for (int i = 0; i < n; i++)
                    if (flow[i][j] > NOTHING && from[i] < 0) {
                        from[i] = at;
                        queue.add(i);
                    }
            } else
                for (int j = wrong[at].nextSetBit(0); j >= 0; j = wrong[at].nextSetBit(j + 1))
                    if (from[n + j] < 0) {
                        from[n + j] = at;
                        queue.add(n + j);
                    }
        }
        return false;
    }

    private void send(int[] from, int end) {
        int n = free.length;
        double most = taken[end - n];
        int at = end;
        while (from[at] != at) {
            int before = from[at];
            if (at < n) most = Math.min(most, flow[at][before - n]);
            at = before;
        }
        most = Math.min(most, free[at]);
        free[at] -= most;
        taken[end - n] -= most;
        at = end;
        while (from[at] != at) {
            int before = from[at];
            if (at >= n) flow[before][at - n] += most;
            else flow[at][before - n] -= most;
            at = before;
        }
    }

    /** What can be reached from what is free is on this side of the cut: a stint stays when its first copy is and its second is not. */
    private List<Integer> cut() {
        int n = free.length;
        var reached = new BitSet(2 * n);
        var queue = new ArrayDeque<Integer>();
        for (int i = 0; i < n; i++)
            if (free[i] > NOTHING) {
                reached.set(i);
                queue.add(i);
            }
        while (!queue.isEmpty()) {
            int at = queue.remove();
            for (int i = 0; i < n; i++) {
                boolean next = at < n ? wrong[at].get(i) : flow[i][at - n] > NOTHING;
                int to = at < n ? n + i : i;
                if (next && !reached.get(to)) {
                    reached.set(to);
                    queue.add(to);
                }
            }
        }
        var moved = new ArrayList<Integer>();
        for (int i = 0; i < n; i++) if (!reached.get(i) || reached.get(n + i)) moved.add(i);
        return moved;
    }
}
