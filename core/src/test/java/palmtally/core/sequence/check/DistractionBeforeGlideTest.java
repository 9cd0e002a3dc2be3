package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import palmtally.core.body.Position;
import palmtally.core.body.Zone;
import palmtally.core.technique.Dose;

class DistractionBeforeGlideTest extends CheckTest {
    DistractionBeforeGlideTest() {
        super(DistractionBeforeGlide.RULE, "warn order");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "glide at once",
                                eachSide(
                                        step("k").on(Zone.WRIST).lying(Position.SUPINE),
                                        step("g")
                                                .technique("joint-glide")
                                                .on(Zone.WRIST)
                                                .dose(Dose.holds(3, 9))
                                                .lying(Position.SUPINE)),
                                eachSide(
                                        step("k").on(Zone.WRIST).lying(Position.SUPINE),
                                        step("d")
                                                .technique("traction")
                                                .on(Zone.WRIST)
                                                .lying(Position.SUPINE),
                                        step("g")
                                                .technique("joint-glide")
                                                .on(Zone.WRIST)
                                                .dose(Dose.holds(3, 9))
                                                .lying(Position.SUPINE)))
                        .says("Step 2 glides a joint that has not been eased apart first.")
                        .mends(
                                "Add a gentle distraction before step 2: New step 2: Traction, 10 s. (treat-1, traction, palm, depth 1, wrist, each, open, dry, treat, warns, sheet-secured)"));
    }
}
