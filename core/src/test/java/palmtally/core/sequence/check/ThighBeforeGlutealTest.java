package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Sheet;

class ThighBeforeGlutealTest extends CheckTest {
    ThighBeforeGlutealTest() {
        super(ThighBeforeGluteal.RULE, "warn order");
    }

    @Override
    protected List<Case> cases() {
        return List.of(of("gluteals at once", eachSide(gluteal("g"), thigh("t")), eachSide(thigh("t"), gluteal("g")))
                .says("Step 1 reaches the gluteals without coming from the thigh: a guarded area is eased into.")
                .mends("Move step 2 before step 1: Step g moved from place 1 to place 2."));
    }

    @Test
    void settling_starts_no_order() {
        silent(eachSide(still("s").on(Zone.GLUTEALS).sheet(Sheet.THROUGH), thigh("w"), gluteal("g")));
    }
}
