package palmtally.core.sequence;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Stint.Half;

/**
 * The order a student is asked to follow, as the transitive closure of: blocks in their order, steps of ordered blocks in theirs,
 * and before links. Work on the left and work on the right are not compared with each other: which side comes first is the
 * student's choice; each is compared with what is done once for both.
 */
public final class PlannedOrder {
    private final BitSet[] after;
    private final BitSet[] safety;

    private PlannedOrder(int n) {
        after = new BitSet[n];
        safety = new BitSet[n];
        for (int i = 0; i < n; i++) {
            after[i] = new BitSet(n);
            safety[i] = new BitSet(n);
        }
    }

    /**
     * @param stints in planned order, a subset of those of the sequence
     */
    public static PlannedOrder of(Sequence sequence, List<Stint> stints, Profile profile) {
        int n = stints.size();
        var order = new PlannedOrder(n);
        var warm = warmEdges(stints, profile.order().firmDepth());
        for (int i = 0; i < n; i++) {
            var a = stints.get(i);
            for (int j = 0; j < n; j++) {
                var b = stints.get(j);
                if (i >= j || !sidesCompare(a, b)) continue;
                boolean byBlock = a.block() != b.block();
                boolean within = a.block() == b.block()
                        && sequence.blocks().get(a.block()).order() == Block.Order.IN_ORDER;
                boolean linked = a.step().before().contains(b.step().id());
                if (byBlock || within || linked) order.after[i].set(j);
            }
            for (var to : warm.getOrDefault(a, List.of())) {
                int j = stints.indexOf(to);
                if (j >= 0 && j != i) {
                    order.after[i].set(j);
                    order.safety[i].set(j);
                }
            }
        }
        for (int k = 0; k < n; k++)
            for (int i = 0; i < n; i++) if (order.after[i].get(k)) order.after[i].or(order.after[k]);
        return order;
    }

    private static boolean sidesCompare(Stint a, Stint b) {
        boolean sided = (a.side() == palmtally.core.body.Side.LEFT || a.side() == palmtally.core.body.Side.RIGHT)
                && (b.side() == palmtally.core.body.Side.LEFT || b.side() == palmtally.core.body.Side.RIGHT);
        return !sided || a.side() == b.side();
    }

    /** Whether stint i is planned before stint j. */
    public boolean comparable(int i, int j) {
        return after[i].get(j);
    }

    /** Whether a safety rule needs i before j. */
    public boolean safety(int i, int j) {
        return safety[i].get(j);
    }

    /** Warm-up edges a safety rule needs: on each half, every warming stint before the first firm one. */
    private static Map<Stint, List<Stint>> warmEdges(List<Stint> stints, int firm) {
        var touched = new LinkedHashMap<Half, List<Stint>>();
        for (var stint : stints)
            for (var half : stint.over())
                touched.computeIfAbsent(half, h -> new ArrayList<>()).add(stint);
        var edges = new LinkedHashMap<Stint, List<Stint>>();
        for (var list : touched.values()) {
            var warmers = new ArrayList<Stint>();
            for (var stint : list) {
                if (stint.step().depth() >= firm) {
                    for (var w : warmers) {
                        var to = edges.computeIfAbsent(w, k -> new ArrayList<>());
                        if (!to.contains(stint)) to.add(stint);
                    }
                } else if (stint.step().calms(firm)
                        && list.stream()
                                .anyMatch(s ->
                                        s.index() > stint.index() && s.step().depth() >= firm)) warmers.add(stint);
            }
        }
        return edges;
    }
}
