package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;
import palmtally.core.sequence.Phase;
import palmtally.core.technique.Tool;

class GentleToStrongTest extends CheckTest {
    GentleToStrongTest() {
        super(GentleToStrong.RULE, "warn order");
    }

    @Override
    List<Case> cases() {
        return List.of(of(
                        "points before rolling",
                        eachSide(
                                thigh("w"),
                                point("p"),
                                thigh("r")
                                        .technique("skin-rolling")
                                        .with(Tool.PINCER)
                                        .phase(Phase.TREAT)),
                        eachSide(
                                thigh("w"),
                                thigh("r")
                                        .technique("skin-rolling")
                                        .with(Tool.PINCER)
                                        .phase(Phase.TREAT),
                                point("p")))
                .says(
                        "Step 3 is skin rolling and comes after trigger points in step 2: gentle work prepares for strong work, not the other way round.")
                .mends("Move it before step 2: Step p moved from place 2 to place 3."));
    }
}
