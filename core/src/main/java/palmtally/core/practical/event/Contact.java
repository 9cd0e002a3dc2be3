package palmtally.core.practical.event;

import org.jspecify.annotations.Nullable;
import palmtally.core.body.Side;
import palmtally.core.body.Structure;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Sheet;
import palmtally.core.technique.Tool;

/**
 * What the grader sees of the hands; what it does not say stays as it was. A zone that is named is touched from now on.
 *
 * @param depth 0–5
 * @param structure which one the hands were on, as it was seen; it is shown beside what was asked, and not judged
 */
public record Contact(
        @Nullable Zone zone,
        @Nullable Side side,
        @Nullable Tool tool,
        @Nullable Integer depth,
        @Nullable Sheet sheet,
        @Nullable Structure structure)
        implements Observation {
    public static Contact on(Zone zone) {
        return new Contact(zone, null, null, null, null, null);
    }

    public static Contact ofDepth(int depth) {
        return new Contact(null, null, null, depth, null, null);
    }

    public Contact depth(int depth) {
        return new Contact(zone, side, tool, depth, sheet, structure);
    }

    public Contact side(Side side) {
        return new Contact(zone, side, tool, depth, sheet, structure);
    }

    public Contact tool(Tool tool) {
        return new Contact(zone, side, tool, depth, sheet, structure);
    }

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
        if (zone == null) course.change(tool, depth, sheet);
        else course.touch(zone, side, tool, depth, sheet);
    }
}
