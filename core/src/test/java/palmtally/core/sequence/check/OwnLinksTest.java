package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;

class OwnLinksTest extends CheckTest {
    OwnLinksTest() {
        super(OwnLinks.RULE, "warn order");
    }

    @Override
    protected List<Case> cases() {
        return List.of(of(
                        "against its own link",
                        eachSide(thigh("a"), thigh("b").before("a")),
                        eachSide(thigh("b").before("a"), thigh("a")))
                .says("Step 1 stands before step 2, though its author linked it behind.")
                .mends("Move step 2 before step 1: Step a moved from place 1 to place 2."));
    }
}
