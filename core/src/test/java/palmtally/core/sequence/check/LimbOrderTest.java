package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import palmtally.core.profile.Choices;
import palmtally.core.sequence.Direction;

class LimbOrderTest extends CheckTest {
    LimbOrderTest() {
        super(LimbOrder.RULE, "warn order");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "calf before thigh",
                                eachSide(step("c"), thigh("t"), thigh("f")),
                                eachSide(thigh("t"), step("c"), thigh("f")))
                        .says(
                                "Step 1 opens the leg on the lower leg; this school does the thigh first, so that what is moved upward finds the way free.")
                        .mends("Move step 2 before step 1: Step c moved from place 1 to place 2."),
                of(
                                "no flush of the whole",
                                eachSide(thigh("t"), step("c")),
                                eachSide(thigh("t"), step("c"), thigh("f")))
                        .says(
                                "Step 2 leaves the leg at the lower leg; this school flushes the whole limb upward at the end.")
                        .mends(
                                "Add 20 s flush of the whole leg after step 2: New step 3: Flush of the whole leg, 20 s. (flush-1, effleurage, palm, depth 2, calf and hamstrings, each, open, dry, flush)"),
                of(
                                "not from the sheet's edge",
                                eachSide(thigh("t").going(Direction.PROXIMAL), step("c")),
                                eachSide(thigh("t").going(Direction.DISTAL), step("c")))
                        .says(
                                "Step 1 opens the leg without coming down from the sheet's edge: the client does not yet know the upper limit.")
                        .mends("Stroke away from the trunk: Step 1, Step t: direction proximal → distal.")
                        .under(p ->
                                Choices.find("first-leg-stroke").orElseThrow().choose(p, "from-sheet-edge")),
                of(
                                "downward, where the way is up",
                                eachSide(thigh("t").going(Direction.DISTAL), step("c"), thigh("f")),
                                eachSide(thigh("t").going(Direction.PROXIMAL), step("c"), thigh("f")))
                        .says("Step 1 opens the leg downward; this school strokes upward from the knee.")
                        .mends("Stroke towards the trunk: Step 1, Step t: direction distal → proximal."),
                of(
                                "the calf alone is no leg, and goes down as it will",
                                eachSide(step("c").deep(1), thigh("t"), step("d")),
                                eachSide(step("c").going(Direction.DISTAL)))
                        .says(
                                "Step 3 leaves the leg at the lower leg; this school flushes the whole limb upward at the end.")
                        .mends(
                                "Add 20 s flush of the whole leg after step 3: New step 4: Flush of the whole leg, 20 s. (flush-1, effleurage, palm, depth 2, calf and hamstrings, each, open, dry, flush)"),
                of(
                                "calf before thigh, where the sheet's edge is first",
                                eachSide(step("c"), thigh("t")),
                                eachSide(thigh("t"), step("c")))
                        .says(
                                "Step 1 opens the leg on the lower leg; this school comes down from the sheet's edge, so that the client knows the upper limit.")
                        .mends("Move step 2 before step 1: Step c moved from place 1 to place 2.")
                        .under(p ->
                                Choices.find("first-leg-stroke").orElseThrow().choose(p, "from-sheet-edge")),
                of(
                                "thigh before calf, where it goes up from below",
                                eachSide(thigh("t"), step("c")),
                                eachSide(step("c"), thigh("t")))
                        .says("Step 1 opens the leg on the thigh; this school works from distal to proximal.")
                        .mends("Move step 2 before step 1: Step t moved from place 1 to place 2.")
                        .under(p ->
                                Choices.find("first-leg-stroke").orElseThrow().choose(p, "distal-stripping")),
                of(
                                "downward, where it goes up from below",
                                eachSide(step("c").going(Direction.DISTAL)),
                                eachSide(step("c").going(Direction.PROXIMAL)))
                        .says("Step 1 opens the leg downward; this school works from distal to proximal.")
                        .mends("Stroke towards the trunk: Step 1, Step c: direction distal → proximal.")
                        .under(p ->
                                Choices.find("first-leg-stroke").orElseThrow().choose(p, "distal-stripping")));
    }
}
