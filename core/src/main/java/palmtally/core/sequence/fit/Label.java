package palmtally.core.sequence.fit;

import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A partial plan, up to some place.
 *
 * @param time seconds so far
 * @param value so far
 * @param from the visit that the hands come from: below n on the first side, from n on on the second, below 0 none yet
 * @param entry the item at which the second side was entered in this pass, or −1
 * @param second the item last done on the second side, or −1
 * @param oiled which halves carry lubricant, as far as it matters later
 * @param kept which items with partners ahead were kept
 * @param warm how long each warm-up line has been warmed, seconds
 * @param level what was chosen at the last place
 * @param before the partial plan this one goes on from
 */
record Label(
        double time,
        double value,
        int from,
        int entry,
        int second,
        long oiled,
        BitSet kept,
        double[] warm,
        int level,
        @Nullable Label before) {
    static Label start(Problem problem) {
        return new Label(0, 0, -1, -1, -1, 0, new BitSet(), new double[problem.warmLines], 0, null);
    }

    /** What must agree for two partial plans to be compared. */
    Key key(Problem problem) {
        var bits = kept.toLongArray();
        var words = new long[2 + bits.length + warm.length];
        words[0] = problem.hands(from, entry, second);
        words[1] = oiled;
        System.arraycopy(bits, 0, words, 2, bits.length);
        for (int w = 0; w < warm.length; w++) words[2 + bits.length + w] = Double.doubleToRawLongBits(warm[w]);
        return new Key(words);
    }

    /** Of those that agree in the rest: quicker first, each worth more than all before it. */
    static void addBest(List<Label> all, List<Label> front) {
        front.sort(Comparator.comparingDouble(Label::time).thenComparingDouble(l -> -l.value));
        double best = Double.NEGATIVE_INFINITY;
        for (var l : front)
            if (l.value > best + Problem.EPS) {
                best = l.value;
                all.add(l);
            }
    }

    /** The levels of all items up to here. */
    int[] levels(int n) {
        var levels = new int[n];
        int i = n;
        for (var l = this; l.before != null; l = l.before) levels[--i] = l.level;
        return levels;
    }

    /**
     * This plan with one more item, or null where a link or a warm-up forbids it.
     *
     * @param level its dose, 0 for left out
     * @param byValue whether values are summed; else time alone counts
     */
    @Nullable
    Label with(Problem problem, int i, int level, boolean byValue) {
        int n = problem.size();
        var place = problem.places.get(i);
        double film = problem.profile.transitions().lubricant();
        double t = time;
        double worth = value;
        int last = from;
        int in = entry;
        int there = second;
        long wet = oiled;
        if (level > 0) {
            double dose = place.resting() ? 0 : place.item.seconds[level - 1];
            if (byValue) worth += place.item.value[level - 1];
            if (place.one != null) {
                t += problem.between(last, i) + place.one.fixed() + dose;
                if ((place.one.oil() & ~wet) != 0) t += film;
                wet |= place.one.oil();
                last = i;
            }
            if (place.two != null) {
                t += (in < 0 ? 0 : problem.between(n + there, n + i)) + place.two.fixed() + dose;
                if (!place.oiledAlready && (place.two.oil() & ~wet) != 0) t += film;
                wet |= place.two.oil();
                if (in < 0) in = i;
                there = i;
            }
        }
        var warmed = warmed(problem, place, level);
        var has = kept(problem, place, i, level);
        if (warmed == null || has == null) return null;
        if (place.closes && in >= 0) {
            t += problem.between(last, n + in);
            last = n + there;
            in = -1;
            there = -1;
        }
        return new Label(t, worth, last, in, there, wet & place.oilLater, has, warmed, level, this);
    }

    /** How warm everything is then; null where firm work would come too early. */
    private double @Nullable [] warmed(Problem problem, Place place, int level) {
        double need = problem.profile.order().warmUpSeconds();
        if (level > 0) for (int w : place.needs) if (warm[w] < need - Problem.EPS) return null;
        boolean changes = place.last.length > 0 || level > 0 && place.needs.length + place.adds.length > 0;
        if (!changes) return warm;
        var now = warm.clone();
        if (level > 0) {
            for (int w : place.needs) now[w] = need;
            for (int w : place.adds) now[w] = Math.min(need, now[w] + place.item.seconds[level - 1]);
        }
        // Nothing needs it any more: all are alike.
        for (int w : place.last) now[w] = need;
        return now;
    }

    /** What is known to be kept then; null where a link is broken. */
    private @Nullable BitSet kept(Problem problem, Place place, int i, int level) {
        if (!problem.linked) return kept;
        if (level > 0) for (int first : place.needed) if (first != i && !kept.get(first)) return null;
        if (level == 0) for (int then : place.needing) if (kept.get(then)) return null;
        var now = (BitSet) kept.clone();
        if (level > 0) now.set(i);
        now.and(place.open);
        return now;
    }
}
