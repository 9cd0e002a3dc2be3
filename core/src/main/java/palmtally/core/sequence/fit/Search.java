package palmtally.core.sequence.fit;

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

    private final Problem problem;
    private final Walk walk;
    private boolean proven = true;

    Search(Problem problem, int firstWidth) {
        this.problem = problem;
        walk = new Walk(problem, firstWidth);
    }

    boolean proven() {
        return proven && walk.proven();
    }

    @Nullable
    Chosen best(double slot) {
        var open = Box.queue();
        var root = walk.best(problem.all(), slot);
        if (root != null) open.add(root);
        for (int looked = 0; !open.isEmpty(); looked++) {
            var box = open.poll();
            var plan = Chosen.applied(problem.sequence, problem.items, box.best());
            var refused = problem.soundness.refusal(plan, box.best(), slot);
            if (refused == null) return new Chosen(box.best(), box.bound(), plan);
            if (looked >= MOST_BOXES) {
                proven = false;
                return null;
            }
            for (var part : box.split(refused)) {
                var solved = walk.best(part, slot);
                if (solved != null) open.add(solved);
            }
        }
        return null;
    }

    /** The least time in which everything that must be kept can be done without a new stop, seconds. */
    double leastSeconds() {
        var solved = walk.quickest(problem.all());
        return solved == null
                ? 0
                : Timeline.of(Chosen.applied(problem.sequence, problem.items, solved.best()), problem.profile)
                        .totalSeconds();
    }
}
