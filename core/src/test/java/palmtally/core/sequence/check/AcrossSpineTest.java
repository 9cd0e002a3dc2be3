package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Direction;
import palmtally.core.sequence.Plans.Made;
import palmtally.core.sequence.Sides;

class AcrossSpineTest extends CheckTest {
    AcrossSpineTest() {
        super(AcrossSpine.RULE, "stop pressure");
    }

    private static Made back(Sides side, Direction direction) {
        return step("b").on(Zone.UPPER_BACK).side(side).going(direction);
    }

    @Override
    protected List<Case> cases() {
        return List.of(of(
                        "from one side of the back to the other",
                        once(back(Sides.BOTH, Direction.ACROSS)),
                        once(back(Sides.EACH, Direction.ACROSS)))
                .says(
                        "Step 1 goes across the spine on upper back, beside the spine: bone takes no pressure, and what crosses it presses on every process.")
                .mends("Do it beside the spine, one side at a time: Step 1, Step b: side both → each."));
    }

    @Test
    void along_it_or_with_hovering_hands_it_crosses_nothing() {
        silent(once(back(Sides.BOTH, Direction.PROXIMAL)));
        silent(once(back(Sides.BOTH, Direction.ACROSS).deep(0)));
        silent(once(step("c").side(Sides.BOTH).going(Direction.ACROSS)));
    }
}
