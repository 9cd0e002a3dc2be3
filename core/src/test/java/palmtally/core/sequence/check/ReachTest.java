package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;
import palmtally.core.sequence.Stands;
import palmtally.core.technique.Tool;

class ReachTest extends CheckTest {
    ReachTest() {
        super(Reach.RULE, "warn mechanics");
    }

    @Override
    List<Case> cases() {
        return List.of(of(
                        "thumb from across",
                        eachSide(
                                thigh("w"),
                                thigh("t").with(Tool.SUPPORTED_THUMB).standing(Stands.ACROSS)),
                        eachSide(thigh("w").standing(Stands.ACROSS), thigh("t").with(Tool.SUPPORTED_THUMB)))
                .says(
                        "Step 2 brings the supported thumb in from across the table: the weight hangs on the arm and the back twists.")
                .mends("Stand on the same side: Step 2, Step t: stands across → same-side."));
    }
}
