package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.sequence.Phase;
import palmtally.core.technique.Tool;

class GentleToStrongTest extends CheckTest {
    GentleToStrongTest() {
        super(GentleToStrong.RULE, "warn order");
    }

    @Override
    protected List<Case> cases() {
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

    @Test
    void a_glide_that_closes_is_no_step_back() {
        silent(eachSide(
                thigh("w"),
                point("p").with(Tool.PINCER),
                thigh("g").technique("fist-glide").deep(3).phase(Phase.TREAT)));
    }

    /** Circles of the finger pads are work on a muscle; it is across a tendon that friction is the last but one. */
    @Test
    void circles_are_no_friction_of_a_tendon() {
        silent(eachSide(
                thigh("c")
                        .technique("circular-friction")
                        .with(Tool.FINGER_PADS)
                        .deep(3)
                        .phase(Phase.TREAT),
                thigh("p").technique("petrissage").deep(3).phase(Phase.TREAT)));
    }
}
