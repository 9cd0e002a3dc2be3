package palmtally.core.picture;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;
import palmtally.core.body.Landmark;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Plans.Made;
import palmtally.core.sequence.check.CheckTest;
import palmtally.core.sequence.detail.Pace;
import palmtally.core.technique.Dose;
import palmtally.core.technique.Tool;

class DoseSpeedTest extends CheckTest {
    DoseSpeedTest() {
        super(DoseSpeed.RULE, "warn pressure");
    }

    /** Along the hamstrings from the hollow of the knee, 285, to the sit bone, 476 thousandths of 1.70 m: 335 mm with what it goes aside. */
    private static Made along(String technique, Tool tool, Dose dose) {
        return thigh("s")
                .technique(technique)
                .with(tool)
                .deep(2)
                .phase(Phase.WARM)
                .dose(dose)
                .saying(d -> {
                    d.from = Landmark.KNEE_HOLLOW;
                    d.to = Landmark.SIT_BONE;
                });
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "a strip in five seconds",
                                eachSide(along("stripping-fingers", Tool.REINFORCED_FINGERS, Dose.passes(4, 5))),
                                eachSide(along("stripping-fingers", Tool.REINFORCED_FINGERS, Dose.passes(4, 6))))
                        .says("Step 1 goes 34 cm in 5 s, 67 mm a second: too fast to feel what lies under the hand.")
                        .mends("Give each pass 6 s: Step 1, Step s: dose 4 × 5 s → 4 × 6 s."),
                of(
                                "a second side in less time",
                                eachSide(along("stripping-fingers", Tool.REINFORCED_FINGERS, Dose.passes(4, 8))
                                        .second(Dose.passes(4, 5))),
                                eachSide(along("stripping-fingers", Tool.REINFORCED_FINGERS, Dose.passes(4, 8))
                                        .second(Dose.passes(4, 7))))
                        .says("Step 1 goes 34 cm in 5 s, 67 mm a second: too fast to feel what lies under the hand.")
                        .mends("Give each pass 6 s: Step 1, Step s: dose of the second side 4 × 5 s → 4 × 6 s."),
                of(
                                "a glide that is called slow",
                                eachSide(along("effleurage", Tool.PALM, Dose.passes(4, 5))
                                        .saying(d -> d.pace = Pace.SLOW)),
                                eachSide(along("effleurage", Tool.PALM, Dose.passes(4, 5))
                                        .saying(d -> d.pace = Pace.STEADY)))
                        .says("Step 1 goes 34 cm in 5 s, 67 mm a second: too fast to feel what lies under the hand.")
                        .mends("Give each pass 6 s: Step 1, Step s: dose 4 × 5 s → 4 × 6 s."));
    }
}
