package palmtally.core.sequence.fit;

import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.PriorityQueue;
import java.util.Queue;
import org.jspecify.annotations.Nullable;
import palmtally.core.sequence.Timeline;

/**
 * The best plan that the checks accept. The best relaxed plan is put on the real timeline and before the checks. If they refuse it, the
 * choices are split on a step that has to do with the refusal; the part with the best bound is looked at next.
 */
final class Search {
    private static final int MOST_BOXES = 400;
    /** How many partial plans the first, narrow walk keeps: the better the plan it finds, the more the full one may drop. */
    static final int FIRST_WIDTH = 1000;

    /** A part that waits; of two that promise the same the one that was found first is looked at first, on every machine. */
    private record Waiting(Box box, int number) {
        static final Comparator<Waiting> ORDER = Comparator.comparingDouble((Waiting w) -> w.box.bound())
                .reversed()
                .thenComparingInt(Waiting::number);
    }

    private final List<Problem> problems;
    private final Walk walk;
    private int found;
    private boolean proven;

    Search(List<Problem> problems, int firstWidth) {
        this.problems = problems;
        walk = new Walk(firstWidth);
        proven = Lying.few(problems.get(0).sequence);
    }

    boolean proven() {
        return proven && walk.proven();
    }

    @Nullable
    Chosen best(double slot) {
        var open = new PriorityQueue<>(Waiting.ORDER);
        for (var problem : problems) add(open, problem.all(), slot);
        for (int looked = 0; !open.isEmpty(); looked++) {
            var box = open.remove().box;
            var problem = box.problem();
            var plan = Chosen.applied(problem.sequence, problem.items, box.best());
            var refused = problem.soundness.refusal(plan, box.best(), slot);
            if (refused == null) return new Chosen(box.best(), box.bound(), plan);
            if (looked >= MOST_BOXES) {
                proven = false;
                return null;
            }
            for (var part : box.split(refused)) add(open, part, slot);
        }
        return null;
    }

    private void add(Queue<Waiting> open, Box part, double slot) {
        var solved = walk.best(part, slot);
        if (solved != null) open.add(new Waiting(solved, found++));
    }

    /** The least time in which everything that must be kept can be done without a new stop, seconds. */
    double leastSeconds() {
        return problems.stream()
                .map(p -> walk.quickest(p.all()))
                .filter(Objects::nonNull)
                .mapToDouble(b -> Timeline.of(
                                Chosen.applied(b.problem().sequence, b.problem().items, b.best()), b.problem().profile)
                        .totalSeconds())
                .min()
                .orElse(0);
    }
}
