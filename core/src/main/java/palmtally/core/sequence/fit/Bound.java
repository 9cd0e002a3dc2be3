package palmtally.core.sequence.fit;

import java.util.HashMap;
import java.util.Map;

/**
 * What a partial plan can still be worth: its value, and for the rest of the way the best of Σ value − λ · seconds, with every turn,
 * sheet, walk and lubricant in it, plus λ times the seconds that are left (Lagrange; valid for any λ ≥ 0). λ is the price of a second at
 * which the whole bound is lowest. Warm-up and links are left out of the rest of the way.
 */
final class Bound {
    /** Ways on that are kept apart by what is oiled; beyond, lubricant costs no time in the rest of the way. */
    static final int MOST_STATES = 150_000;

    private final Problem problem;
    private final int n;
    private final Box box;
    private final double slot;
    private final int mostStates;
    /** Seconds that what must be kept from a place on takes at least. */
    private final double[] mustSeconds;

    private final double[] gain;
    private double price;
    private boolean withOil = true;
    private Map<Key, Double> known = new HashMap<>();

    Bound(Box box, double slot, int mostStates) {
        this.mostStates = mostStates;
        problem = box.problem();
        this.box = box;
        this.slot = slot;
        n = problem.size();
        mustSeconds = new double[n + 1];
        gain = new double[n];
        for (int i = n - 1; i >= 0; i--) {
            var place = problem.places.get(i);
            mustSeconds[i] = mustSeconds[i + 1] + (box.low()[i] == 0 ? 0 : place.seconds(box.low()[i]) + place.fixed());
        }
        double low = 0;
        double high = 2;
        if (total(high / 2) < total(high)) {
            // Convex in the price: narrow down on its lowest point.
            for (int round = 0; round < 18; round++) {
                double a = low + (high - low) / 3;
                double b = high - (high - low) / 3;
                if (total(a) <= total(b)) high = b;
                else low = a;
            }
        }
        total((low + high) / 2);
    }

    /** The bound of the whole at a price, which is kept. */
    private double total(double at) {
        price = at;
        known = new HashMap<>();
        for (int i = 0; i < n; i++) {
            var place = problem.places.get(i);
            double best = Double.NEGATIVE_INFINITY;
            for (int level = Math.max(1, box.low()[i]); level <= box.high()[i]; level++)
                best = Math.max(best, place.item.value[level - 1] - price * place.seconds(level));
            gain[i] = best - price * place.fixed();
        }
        return price * slot + rest(0, -1, -1, -1, 0);
    }

    /** What a second is worth in it. */
    double price() {
        return price;
    }

    /** @return −∞ where what must be kept does not fit any more */
    double of(Label l, int at) {
        double left = slot - l.time();
        if (left - mustSeconds[at] < -1e-6) return Double.NEGATIVE_INFINITY;
        return l.value() + price * left + rest(at, l.from(), l.entry(), l.second(), l.oiled());
    }

    private double rest(int at, int from, int entry, int second, long oiled) {
        if (at == n) return 0;
        if (!withOil) oiled = 0;
        var way = new Key(at, problem.hands(from, entry, second), oiled);
        var had = known.get(way);
        if (had != null) return had;
        double best = Double.NEGATIVE_INFINITY;
        if (box.low()[at] == 0) best = closed(at, from, entry, second, oiled);
        if (box.high()[at] > 0) best = Math.max(best, kept(at, from, entry, second, oiled));
        known.put(way, best);
        if (known.size() > mostStates && withOil) {
            withOil = false;
            known = new HashMap<>();
        }
        return best;
    }

    private double kept(int at, int from, int entry, int second, long oiled) {
        var place = problem.places.get(at);
        double film = withOil ? problem.profile.transitions().lubricant() : 0;
        double lost = 0;
        int last = from;
        int in = entry;
        int there = second;
        long wet = oiled;
        if (place.one != null) {
            lost += problem.between(last, at) + ((place.one.oil() & ~wet) != 0 ? film : 0);
            wet |= place.one.oil();
            last = at;
        }
        if (place.two != null) {
            lost += (in < 0 ? 0 : problem.between(n + there, n + at))
                    + (!place.oiledAlready && (place.two.oil() & ~wet) != 0 ? film : 0);
            wet |= place.two.oil();
            if (in < 0) in = at;
            there = at;
        }
        return gain[at] - price * lost + closed(at, last, in, there, wet);
    }

    /** The way on after a place, across to the second side where its pass ends. */
    private double closed(int at, int from, int entry, int second, long oiled) {
        var place = problem.places.get(at);
        return place.closes && entry >= 0
                ? rest(at + 1, n + second, -1, -1, oiled & place.oilLater) - price * problem.between(from, n + entry)
                : rest(at + 1, from, entry, second, oiled & place.oilLater);
    }
}
