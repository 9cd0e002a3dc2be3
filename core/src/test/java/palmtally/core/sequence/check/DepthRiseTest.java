package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Zone;

class DepthRiseTest extends CheckTest {
    DepthRiseTest() {
        super(DepthRise.RULE, "warn pressure");
    }

    @Override
    protected List<Case> cases() {
        return List.of(of(
                        "2 to 4 at once",
                        eachSide(thigh("w"), fist("f"), thigh("x")),
                        eachSide(thigh("w"), thigh("k").deep(3), fist("f"), thigh("x")))
                .says(
                        "Step 2 rises from depth 2 to 4 on back of the thigh (hamstrings) at once: the client guards against what comes suddenly.")
                .mends("Lower to depth 3: Step 2, Step f: depth 4 → 3."));
    }

    /** Depth 3, the limb moved, depth 4: a grade at a time. */
    @Test
    void a_limb_that_is_moved_is_no_measure_of_depth() {
        silent(eachSide(
                thigh("w"),
                thigh("k").deep(3),
                step("m").technique("range-of-motion").on(Zone.HAMSTRINGS).deep(1),
                fist("f")));
        alarm(eachSide(thigh("w"), thigh("k").deep(3), thigh("l").deep(1), fist("f")));
    }
}
