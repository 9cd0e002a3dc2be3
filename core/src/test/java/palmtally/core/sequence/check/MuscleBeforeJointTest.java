package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;

class MuscleBeforeJointTest extends CheckTest {
    MuscleBeforeJointTest() {
        super(MuscleBeforeJoint.RULE, "warn order");
    }

    @Override
    protected List<Case> cases() {
        return List.of(of(
                        "jaw joint before its muscles",
                        eachSide(neck("n"), jaw("g").technique("range-of-motion"), jaw("j")),
                        eachSide(neck("n"), jaw("j"), jaw("g").technique("range-of-motion")))
                .says("Step 2 moves a joint whose muscles have not been worked: they guard it.")
                .mends("Move step 3 before step 2: Step g moved from place 2 to place 3."));
    }
}
