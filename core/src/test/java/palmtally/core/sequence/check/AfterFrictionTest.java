package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import palmtally.core.body.Zone;

class AfterFrictionTest extends CheckTest {
    AfterFrictionTest() {
        super(AfterFriction.RULE, "warn order");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "friction without cold",
                                eachSide(friction("f")),
                                eachSide(
                                        friction("f"),
                                        step("c")
                                                .technique("cold")
                                                .on(Zone.ACHILLES)
                                                .deep(1)))
                        .says("Step 1 irritates the fibre on purpose and no cold follows, as this school has it.")
                        .mends(
                                "Add 60 s of cold strokes after step 1: New step 2: Cold strokes, 60 s. (reset-1, cold, palm, depth 1, achilles, each, open, dry, reset, warns)"));
    }
}
