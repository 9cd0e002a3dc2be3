package palmtally.core.practical;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Side;
import palmtally.core.sequence.PlannedOrder;
import palmtally.core.sequence.Stint;

/**
 * How far a run kept the planned order.
 *
 * <p>G = (Σ concordant − Σ discordant) ÷ Σ weights over the comparable pairs of the planned order, by the time each stint was met; 1
 * if there is no comparable pair. Inside a block a pair weighs 1; the a·b pairs across two blocks of a and b stints weigh (a + b)/2
 * together; an edge a safety rule needs weighs the profile's safety edge. A stint that a safety rule wants before one that was done, and
 * that was never done itself, is discordant with everything later that was done: leaving it out is never better than doing it late. For one ordered block with unit weights, all done, G is
 * Kendall's tau-a (Kendall, M. G. (1938), "A new measure of rank correlation", Biometrika 30, 81–93).
 *
 * @param value −1 to 1
 * @param moved the fewest stints that, moved, put the run in order; ties resolved towards the earlier planned
 * @param neverWarmed stints a safety rule wants first that were never done though later ones were
 */
public record Concordance(double value, List<Stint> moved, List<Stint> neverWarmed) {

    /**
     * @param stints what was asked, in planned order
     * @param met time each was met, ms; null where it was never done
     * @param safetyEdge weight factor of a safety edge
     */
    public static Concordance of(PlannedOrder order, List<Stint> stints, List<@Nullable Long> met, double safetyEdge) {
        int n = stints.size();
        var acrossCount = new HashMap<Long, Integer>();
        for (int i = 0; i < n; i++)
            for (int j = i + 1; j < n; j++)
                if (order.comparable(i, j) && group(stints.get(i)) != group(stints.get(j)))
                    acrossCount.merge(pair(stints.get(i), stints.get(j)), 1, Integer::sum);
        var groupSize = new HashMap<Integer, Integer>();
        for (var s : stints) groupSize.merge(group(s), 1, Integer::sum);

        double score = 0;
        double weights = 0;
        var discordant = new BitSet[n];
        var lost = new ArrayList<Stint>();
        for (int i = 0; i < n; i++) discordant[i] = new BitSet(n);
        for (int i = 0; i < n; i++) {
            var a = met.get(i);
            boolean neverWarmed = a == null && safetyDone(order, met, i);
            for (int j = i + 1; j < n; j++) {
                if (!order.comparable(i, j)) continue;
                boolean safety = order.safety(i, j);
                var b = met.get(j);
                if (b == null || (a == null && !neverWarmed)) continue;
                double w = 1;
                if (group(stints.get(i)) != group(stints.get(j))) {
                    int sizes = groupSize.getOrDefault(group(stints.get(i)), 0)
                            + groupSize.getOrDefault(group(stints.get(j)), 0);
                    w = sizes / 2.0 / acrossCount.getOrDefault(pair(stints.get(i), stints.get(j)), 1);
                }
                if (safety) w *= safetyEdge;
                weights += w;
                if (a == null) score -= w;
                else if (a < b) score += w;
                else if (a > b) {
                    score -= w;
                    discordant[i].set(j);
                }
            }
            if (neverWarmed) lost.add(stints.get(i));
        }
        var moved = fewestMoved(discordant).stream().map(stints::get).toList();
        return new Concordance(weights == 0 ? 1 : score / weights, moved, List.copyOf(lost));
    }

    /** Whether something was done that a safety rule wants stint i before. */
    private static boolean safetyDone(PlannedOrder order, List<@Nullable Long> met, int i) {
        for (int j = 0; j < met.size(); j++) if (order.safety(i, j) && met.get(j) != null) return true;
        return false;
    }

    /** Stints of one block on one side belong together. */
    private static int group(Stint s) {
        return s.block() * Side.values().length + s.side().ordinal();
    }

    private static long pair(Stint a, Stint b) {
        return (long) group(a) << 32 | group(b);
    }

    /**
     * The fewest elements whose removal leaves no discordant pair. Discordance is a partial order, so the largest set without a
     * discordant pair is its largest antichain, and by Dilworth's theorem n less the maximum matching of the bipartite split; which
     * elements remain follows from the minimum vertex cover (König).
     *
     * @param above {@code above[i]} holds each j planned after i but met before it
     * @return indices, ascending
     */
    static List<Integer> fewestMoved(BitSet[] above) {
        int n = above.length;
        int[] left = new int[n];
        int[] right = new int[n];
        Arrays.fill(left, -1);
        Arrays.fill(right, -1);
        for (int i = 0; i < n; i++) augment(i, above, left, right, new BitSet(n));
        // König: from unmatched left vertices along alternating paths.
        var reachedLeft = new BitSet(n);
        var reachedRight = new BitSet(n);
        var queue = new ArrayDeque<Integer>();
        for (int i = 0; i < n; i++)
            if (left[i] < 0) {
                reachedLeft.set(i);
                queue.add(i);
            }
        while (!queue.isEmpty()) {
            int i = queue.remove();
            for (int j = above[i].nextSetBit(0); j >= 0; j = above[i].nextSetBit(j + 1)) {
                if (reachedRight.get(j)) continue;
                reachedRight.set(j);
                int next = right[j];
                if (next >= 0 && !reachedLeft.get(next)) {
                    reachedLeft.set(next);
                    queue.add(next);
                }
            }
        }
        // An element stays when neither of its two copies is in the cover (left unreached, or right reached).
        var moved = new ArrayList<Integer>();
        for (int i = 0; i < n; i++) if (!reachedLeft.get(i) || reachedRight.get(i)) moved.add(i);
        return moved;
    }

    private static boolean augment(int i, BitSet[] above, int[] left, int[] right, BitSet tried) {
        for (int j = above[i].nextSetBit(0); j >= 0; j = above[i].nextSetBit(j + 1)) {
            if (tried.get(j)) continue;
            tried.set(j);
            if (right[j] < 0 || augment(right[j], above, left, right, tried)) {
                left[i] = j;
                right[j] = i;
                return true;
            }
        }
        return false;
    }

    /** When each stint was met: by first contact, closing ones by last. */
    static List<@Nullable Long> met(List<Stint> stints, Run run) {
        Map<Stint.Key, Long> first = new HashMap<>();
        Map<Stint.Key, Long> last = new HashMap<>();
        for (var d : run.done()) {
            first.merge(d.key(), d.start(), Math::min);
            last.merge(d.key(), d.start(), Math::max);
        }
        var met = new ArrayList<@Nullable Long>();
        for (var s : stints) met.add(s.step().phase().closing() ? last.get(s.key()) : first.get(s.key()));
        return met;
    }
}
