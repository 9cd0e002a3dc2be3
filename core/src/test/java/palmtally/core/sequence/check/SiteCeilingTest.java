package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import palmtally.core.body.Zone;

class SiteCeilingTest extends CheckTest {
    SiteCeilingTest() {
        super(SiteCeiling.RULE, "stop pressure");
    }

    @Override
    List<Case> cases() {
        return List.of(of(
                        "back of the knee at 2",
                        eachSide(step("k").on(Zone.KNEE_BACK).deep(2)),
                        eachSide(step("k").on(Zone.KNEE_BACK).deep(1)))
                .says(
                        "Step 1 goes to depth 2 on back of the knee; this site takes 1 at most: artery and nerve: skin only.")
                .mends("Lower to depth 1: Step 1, Step k: depth 2 → 1."));
    }
}
