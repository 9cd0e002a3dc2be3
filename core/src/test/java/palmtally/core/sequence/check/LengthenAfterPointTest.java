package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;

class LengthenAfterPointTest extends CheckTest {
    LengthenAfterPointTest() {
        super(LengthenAfterPoint.RULE, "hint order");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of("point left short", eachSide(thigh("w"), point("p")), eachSide(thigh("w"), point("p"), stretch("s")))
                        .says(
                                "Step 2 presses a point and nothing restores the length afterwards: a released muscle shortens again.")
                        .mends(
                                "Add a 30 s stretch after step 2: New step 3: Stretch, passive, 30 s. (lengthen-1, stretch, palm, depth 2, hamstrings, each, open, dry, lengthen, warns, sheet-secured)"));
    }
}
