package palmtally.core.sequence.fit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The best plan of the relaxed problem by dynamic programming over the planned order. Of two partial plans that agree in what matters
 * for the rest of the way, one that takes no less time and is worth no more is dropped; so is one that cannot beat the best known plan by
 * {@link Bound}.
 */
final class Walk {
    private static final int MOST_LABELS = 3_000_000;

    private final int firstWidth;
    private boolean proven = true;

    /** @param firstWidth how many partial plans the first, narrow walk keeps */
    Walk(int firstWidth) {
        this.firstWidth = firstWidth;
    }

    /** Whether every walk went all the way. */
    boolean proven() {
        return proven;
    }

    /** The box with its most valuable choice and what that is worth, or null where nothing fits. */
    @Nullable
    Box best(Box box, double slot) {
        var bound = new Bound(box, slot, Bound.MOST_STATES);
        var byValue = Comparator.comparingDouble(Label::value).reversed().thenComparingDouble(Label::time);
        // A narrow first walk gives a plan to beat.
        var narrow = walk(box, slot, bound, Double.NEGATIVE_INFINITY, firstWidth, byValue);
        double floor = narrow == null ? Double.NEGATIVE_INFINITY : narrow.value();
        var full = walk(box, slot, bound, floor, Integer.MAX_VALUE, byValue);
        return chosen(box, full != null && (narrow == null || full.value() > floor - Problem.EPS) ? full : narrow);
    }

    /** The box with its quickest choice, or null where a link or a warm-up forbids every one. */
    @Nullable
    Box quickest(Box box) {
        return chosen(
                box,
                walk(
                        box,
                        Double.POSITIVE_INFINITY,
                        null,
                        Double.NEGATIVE_INFINITY,
                        Integer.MAX_VALUE,
                        Comparator.comparingDouble(Label::time)));
    }

    private @Nullable Box chosen(Box box, @Nullable Label best) {
        return best == null
                ? null
                : new Box(
                        box.problem(),
                        box.low(),
                        box.high(),
                        best.value(),
                        best.levels(box.problem().size()));
    }

    /** @param floor what a plan must be worth more than; without a bound time alone counts */
    private @Nullable Label walk(
            Box box, double slot, @Nullable Bound bound, double floor, int width, Comparator<Label> better) {
        var problem = box.problem();
        var now = List.of(Label.start(problem));
        long made = 0;
        for (int i = 0; i < problem.size(); i++) {
            int at = i + 1;
            var fronts = new LinkedHashMap<Key, List<Label>>();
            for (var label : now)
                for (int level = box.low()[i]; level <= box.high()[i]; level++) {
                    var next = label.with(problem, i, level, bound != null);
                    if (next == null || next.time() > slot + 1e-6) continue;
                    if (bound != null && bound.of(next, at) < floor + problem.grain - Problem.EPS) continue;
                    fronts.computeIfAbsent(next.key(problem), k -> new ArrayList<>())
                            .add(next);
                    made++;
                }
            if (made > MOST_LABELS && width == Integer.MAX_VALUE) {
                proven = false;
                return null;
            }
            var kept = new ArrayList<Label>();
            for (var front : fronts.values()) Label.addBest(kept, front);
            if (kept.size() > width) {
                kept.sort(Comparator.comparingDouble(l -> bound == null ? l.time() : -bound.of(l, at)));
                now = List.copyOf(kept.subList(0, width));
            } else now = kept;
        }
        return now.stream().min(better).orElse(null);
    }
}
