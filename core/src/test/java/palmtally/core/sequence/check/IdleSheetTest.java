package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;
import palmtally.core.sequence.Phase;

class IdleSheetTest extends CheckTest {
    IdleSheetTest() {
        super(IdleSheet.RULE, "warn draping");
    }

    @Override
    List<Case> cases() {
        return List.of(of(
                        "a look of 40 s at an open leg",
                        eachSide(thigh("l").deep(0).seconds(40).phase(Phase.ASSESS), thigh("w")),
                        eachSide(thigh("l").deep(0).seconds(20).phase(Phase.ASSESS), thigh("w")))
                .says(
                        "The right leg lies open and unworked for 40 s around step 1; after 20 s it gets cold and feels forgotten.")
                .mends("Cover it during step 1: Step 1, Step l: sheet open → covered."));
    }
}
