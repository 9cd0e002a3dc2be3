package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;
import palmtally.core.body.Zone;

class MovingOnTendonTest extends CheckTest {
    MovingOnTendonTest() {
        super(MovingOnTendon.RULE, "warn order");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "hold on the heel cord",
                                eachSide(point("p").on(Zone.ACHILLES).deep(3)),
                                eachSide(friction("f")))
                        .says(
                                "Step 1 holds still on a tendon: static is for a trigger point, a tendon wants a moving stroke.")
                        .mends(
                                "Make it cross-fibre friction: Step 1, Step p: technique Ischaemic compression of a trigger point → Friction, cross-fibre; dose 3 holds × 9 s → 120 at 1.5/s."));
    }
}
