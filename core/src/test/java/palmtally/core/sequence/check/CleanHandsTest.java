package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import palmtally.core.body.Position;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Care;
import palmtally.core.sequence.Sides;

class CleanHandsTest extends CheckTest {
    CleanHandsTest() {
        super(CleanHands.RULE, "warn draping");
    }

    @Override
    protected List<Case> cases() {
        return List.of(of(
                        "from the foot to the face",
                        once(
                                step("f").on(Zone.SOLE).side(Sides.EACH).lying(Position.SUPINE),
                                step("n").on(Zone.FACE).side(Sides.BOTH).lying(Position.SUPINE)),
                        once(
                                step("f").on(Zone.SOLE).side(Sides.EACH).lying(Position.SUPINE),
                                step("n")
                                        .on(Zone.FACE)
                                        .side(Sides.BOTH)
                                        .lying(Position.SUPINE)
                                        .with(Care.HANDS_WIPED)))
                .says(
                        "Step 2 goes to the face straight from sole of the foot: what is on the hands ends up in eyes and mouth.")
                .mends("Wipe hands before step 2: Step 2, Step n: care none → hands-wiped."));
    }
}
