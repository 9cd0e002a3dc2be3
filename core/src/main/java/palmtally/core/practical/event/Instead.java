package palmtally.core.practical.event;

import java.util.List;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Side;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.detail.Branch;

/**
 * Something came up, and the step goes on, or ends, by one of the plan's own branches.
 *
 * @param side on which; that of the step that is on, or the first that is due, where it is not said
 */
public record Instead(String step, @Nullable Side side, Branch.When when, Branch.Then then) implements Observation {
    /** The branch of the plan that is meant; none where the plan has no such branch. */
    public List<Branch> among(Step planned) {
        return planned.details().instead().stream()
                .filter(b -> b.when() == when && b.then() == then)
                .limit(1)
                .toList();
    }

    @Override
    public void within(Bounds bounds) {
        bounds.text("step", step, 1, 64);
    }

    @Override
    public void apply(Course course) {
        course.instead(this);
    }
}
