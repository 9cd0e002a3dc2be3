package palmtally.core.jot;

import java.util.List;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Position;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Step;

/**
 * What goes on from the lines before, and what the lines after tell.
 *
 * @param before the step it comes after, whose zones, position, sheet and lubricant go on, or null
 * @param ahead where the work of the lines after it is: there is looked and asked where nothing else is said
 * @param clothed whether the client stays dressed
 * @param headed zones of a heading above it, where the work is unless it says otherwise; empty where there is none
 * @param side the side that the heading says, or null
 * @param bared whether the place was uncovered since the step before: its sheet does not go on
 * @param lies how the client lies by the heading, or null
 * @param told how the client lies as it was last said, or null: a step that cannot be given so moves nobody for the steps after it
 */
record Context(
        @Nullable Step before,
        List<Zone> ahead,
        boolean clothed,
        List<Zone> headed,
        @Nullable Sides side,
        boolean bared,
        @Nullable Position lies,
        @Nullable Position told) {
    static final Context NONE = new Context(null, List.of(), false, List.of(), null, false, null, null);
}
