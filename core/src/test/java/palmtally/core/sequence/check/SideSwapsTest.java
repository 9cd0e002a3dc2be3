package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Position;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Sides;

class SideSwapsTest extends CheckTest {
    SideSwapsTest() {
        super(SideSwaps.RULE, "hint order");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "each leg at each step",
                                once(
                                        thigh("a").side(Sides.EACH),
                                        thigh("b").side(Sides.EACH),
                                        step("c").side(Sides.EACH)),
                                eachSide(thigh("a"), thigh("b"), step("c")))
                        .says(
                                "In b the hands change from one side to the other 5 times, from step 1 to step 3: the sheet goes with them, and neither side is worked through.")
                        .mends("Do one side, then the other: Blocks: b (in-order, once) → b (in-order, each-side)."),
                of(
                                "with the cover at the end",
                                once(
                                        thigh("a").side(Sides.EACH),
                                        thigh("b").side(Sides.EACH),
                                        step("c").side(Sides.EACH),
                                        thigh("z").side(Sides.BOTH).phase(Phase.COVER)),
                                eachSide(thigh("a"), thigh("b"), step("c")))
                        .says(
                                "In b the hands change from one side to the other 5 times, from step 1 to step 3: the sheet goes with them, and neither side is worked through.")
                        .mends(
                                "Do one side, then the other: Blocks: b (in-order, once) → b (in-order, each-side), Close (in-order, once)."),
                of(
                                "right, left, right, left",
                                once(
                                        thigh("a").side(Sides.RIGHT),
                                        thigh("b").side(Sides.LEFT),
                                        step("c").side(Sides.RIGHT),
                                        step("d").side(Sides.LEFT)),
                                once(
                                        thigh("a").side(Sides.RIGHT),
                                        step("c").side(Sides.RIGHT),
                                        thigh("b").side(Sides.LEFT),
                                        step("d").side(Sides.LEFT)))
                        .says(
                                "In b the hands change from one side to the other 3 times, from step 1 to step 4: the sheet goes with them, and neither side is worked through."));
    }

    /** Of a face, a neck or a jaw the hands reach both sides from where they are. */
    @Test
    void a_neck_may_be_worked_left_and_right_in_turn() {
        silent(once(
                neck("a").side(Sides.EACH),
                neck("b").side(Sides.EACH),
                step("c").on(Zone.FACE).lying(Position.SUPINE).side(Sides.EACH)));
        silent(once(thigh("a").side(Sides.EACH)));
    }
}
