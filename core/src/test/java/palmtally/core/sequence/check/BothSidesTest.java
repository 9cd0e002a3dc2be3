package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Sides;
import palmtally.core.technique.Dose;

class BothSidesTest extends CheckTest {
    BothSidesTest() {
        super(BothSides.RULE, "warn order");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "one side left out",
                                once(thigh("w").side(Sides.RIGHT)),
                                once(thigh("w").side(Sides.EACH)))
                        .says(
                                "The left side is left out: back of the thigh (hamstrings). Work on a paired zone is due on both sides.")
                        .mends(
                                "Do 1 step on each side: Blocks: b (in-order, once) → b (in-order, each-side). Step 1, Step w: side right → each."),
                of(
                                "20 s against 60",
                                eachSide(thigh("w").seconds(60).second(Dose.seconds(20))),
                                eachSide(thigh("w").seconds(60).second(Dose.seconds(48))))
                        .says(
                                "Left side runs 0:20, right side 1:00 (0.33; at least 0.8): the second side deserves what the first one got.")
                        .mends("Even out the sides: Step 1, Step w: dose of the second side 20 s → none."),
                of(
                                "one ear after the other",
                                once(step("e").on(Zone.EARS).side(Sides.EACH)),
                                once(step("e").on(Zone.EARS).side(Sides.BOTH)))
                        .says("Step 1 takes one ear after the other; this school works both together, for balance.")
                        .mends("Both ears together: Step 1, Step e: side each → both."));
    }
}
