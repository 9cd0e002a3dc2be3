package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;

class ThighBeforeGlutealTest extends CheckTest {
    ThighBeforeGlutealTest() {
        super(ThighBeforeGluteal.RULE, "warn order");
    }

    @Override
    List<Case> cases() {
        return List.of(of("gluteals at once", eachSide(gluteal("g"), thigh("t")), eachSide(thigh("t"), gluteal("g")))
                .says("Step 1 reaches the gluteals without coming from the thigh: a guarded area is eased into.")
                .mends("Move step 2 before step 1: Step g moved from place 1 to place 2."));
    }
}
