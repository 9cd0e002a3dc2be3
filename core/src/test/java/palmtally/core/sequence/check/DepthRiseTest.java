package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;

class DepthRiseTest extends CheckTest {
    DepthRiseTest() {
        super(DepthRise.RULE, "warn pressure");
    }

    @Override
    List<Case> cases() {
        return List.of(of(
                        "2 to 4 at once",
                        eachSide(thigh("w"), fist("f"), thigh("x")),
                        eachSide(thigh("w"), thigh("k").deep(3), fist("f"), thigh("x")))
                .says(
                        "Step 2 rises from depth 2 to 4 on back of the thigh (hamstrings) at once: the client guards against what comes suddenly.")
                .mends("Lower to depth 3: Step 2, Step f: depth 4 → 3."));
    }
}
