package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.once;

import java.util.List;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;

class CoverAtEndTest extends CheckTest {
    CoverAtEndTest() {
        super(CoverAtEnd.RULE, "warn draping");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "left open",
                                eachSide(thigh("w")),
                                once(
                                        thigh("w").side(Sides.EACH),
                                        still("c")
                                                .side(Sides.BOTH)
                                                .sheet(Sheet.COVERED)
                                                .phase(Phase.COVER)))
                        .says(
                                "Step 1 is the last one and leaves the left leg open: covered at the end, or the treatment ends cold.")
                        .mends(
                                "Add cover and close at the end: Blocks: b (in-order, each-side) → b (in-order, each-side), Close (in-order, once). New step 2: Cover and close, 10 s. (cover-1, still-hold, palm, depth 1, hamstrings, both, covered, dry, cover)"));
    }
}
