package palmtally.core.picture;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Stands;
import palmtally.core.sequence.check.CheckTest;
import palmtally.core.technique.Tool;

class ReachTest extends CheckTest {
    ReachTest() {
        super(Reach.RULE, "warn mechanics");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "thumb from across",
                                eachSide(
                                        thigh("w"),
                                        thigh("t").with(Tool.SUPPORTED_THUMB).standing(Stands.ACROSS)),
                                eachSide(
                                        thigh("w").standing(Stands.ACROSS),
                                        thigh("t").with(Tool.SUPPORTED_THUMB)))
                        .says(
                                "Step 2 brings the supported thumb in from across the table: the weight hangs on the arm and the back twists.")
                        .mends("Stand on the same side: Step 2, Step t: stands across → same-side."),
                // The head end of the table is 36 cm from the feet's, the low back some 70 cm down it: by hand 100 cm
                // and more.
                of(
                                "low back from the head",
                                eachSide(thigh("w"), thigh("b").on(Zone.LUMBAR).standing(Stands.HEAD)),
                                eachSide(
                                        thigh("w"),
                                        thigh("b").on(Zone.UPPER_BACK).standing(Stands.HEAD)))
                        .says(
                                "Step 2 works 102 cm from the feet; 91 cm are in reach of an adult of middle height without bending in the waist.")
                        .mends("Stand on the same side: Step 2, Step b: stands head → same-side."));
    }
}
