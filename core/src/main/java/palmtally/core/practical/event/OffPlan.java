package palmtally.core.practical.event;

import org.jspecify.annotations.Nullable;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Sheet;
import palmtally.core.technique.Tool;

/**
 * Work on a zone that no step of the plan asks for now.
 *
 * @param depth 0–5
 */
public record OffPlan(
        Zone zone,
        @Nullable Side side,
        @Nullable Tool tool,
        @Nullable Integer depth,
        @Nullable Sheet sheet) implements Observation {
    @Override
    public void within(Bounds bounds) {
        bounds.whole("depth", depth, 0, 5);
    }

    @Override
    public boolean judges() {
        return true;
    }

    @Override
    public void apply(Course course) {
        course.leavePlan(zone, side, tool, depth, sheet);
    }
}
