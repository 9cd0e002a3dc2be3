package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import palmtally.core.body.Zone;

class SiteCeilingTest extends CheckTest {
    SiteCeilingTest() {
        super(SiteCeiling.RULE, "stop pressure");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "the throat, which takes none",
                                once(
                                        step("g").on(Zone.NECK_BACK).deep(1),
                                        step("k").on(Zone.THROAT).deep(1)),
                                once(step("g").on(Zone.NECK_BACK).deep(1)))
                        .says(
                                "Step 2 goes to depth 1 on front of the throat; this site takes 0 at most: vessels and airway.")
                        .mends("Take step 2 out: Step 2, Step k, is gone."),
                of(
                                "the spine among others",
                                once(step("k").on(Zone.UPPER_BACK, Zone.SPINE).deep(1)),
                                once(step("k").on(Zone.UPPER_BACK).deep(1)))
                        .says(
                                "Step 1 goes to depth 1 on spinous processes; this site takes 0 at most: bone edge: work beside, never across.")
                        .mends(
                                "Leave spinous processes out of step 1: Step 1, Step k: zones Upper back, beside the spine, Spinous processes → Upper back, beside the spine."),
                of(
                                "back of the knee at 2",
                                eachSide(step("k").on(Zone.KNEE_BACK).deep(2)),
                                eachSide(step("k").on(Zone.KNEE_BACK).deep(1)))
                        .says(
                                "Step 1 goes to depth 2 on back of the knee; this site takes 1 at most: artery and nerve: skin only.")
                        .mends("Lower to depth 1: Step 1, Step k: depth 2 → 1."));
    }
}
