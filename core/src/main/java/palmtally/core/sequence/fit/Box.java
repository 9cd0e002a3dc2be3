package palmtally.core.sequence.fit;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** A part of the choices: bounds of the level of each item, and how the blocks lie. */
record Box(Problem problem, int[] low, int[] high, double bound, int[] best) {
    @Nullable
    Box with(int item, int lo, int hi) {
        if (lo > hi) return null;
        var l = low.clone();
        var h = high.clone();
        l[item] = Math.max(l[item], lo);
        h[item] = Math.min(h[item], hi);
        return l[item] > h[item] ? null : new Box(problem, l, h, bound, best);
    }

    /** Its parts by the level of the first of these items that is still open: as it was chosen, less, more. */
    List<Box> split(List<Integer> order) {
        for (int i : order) {
            if (low[i] == high[i]) continue;
            int at = best[i];
            var parts = new ArrayList<Box>();
            for (var part : new @Nullable Box[] {with(i, at, at), with(i, low[i], at - 1), with(i, at + 1, high[i])})
                if (part != null) parts.add(part);
            return parts;
        }
        return List.of();
    }
}
