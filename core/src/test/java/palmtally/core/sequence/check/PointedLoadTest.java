package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;
import palmtally.core.technique.Tool;

class PointedLoadTest extends CheckTest {
    PointedLoadTest() {
        super(PointedLoad.RULE, "hint mechanics");
    }

    @Override
    protected List<Case> cases() {
        return List.of(of(
                        "half on the thumb",
                        eachSide(
                                thigh("w").seconds(60),
                                thigh("t").with(Tool.SUPPORTED_THUMB).seconds(60)),
                        eachSide(
                                thigh("w").seconds(90),
                                thigh("t").with(Tool.SUPPORTED_THUMB).seconds(60)))
                .says("Thumbs and elbow point do 50 % of the work; above 40 % a day of it wears the hands out.")
                .mends("Use reinforced fingers in step 2: Step 2, Step t: hand supported thumb → reinforced fingers."));
    }
}
