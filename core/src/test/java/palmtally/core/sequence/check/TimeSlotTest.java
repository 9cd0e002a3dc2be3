package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.block;

import java.util.List;
import palmtally.core.sequence.Block;
import palmtally.core.sequence.Plans;

class TimeSlotTest extends CheckTest {
    TimeSlotTest() {
        super(TimeSlot.RULE, "warn order");
    }

    @Override
    List<Case> cases() {
        return List.of(of(
                        "145 of 100 s",
                        Plans.of(
                                100,
                                block(
                                        "b",
                                        Block.Order.IN_ORDER,
                                        Block.Repeat.ONCE,
                                        thigh("w").seconds(120))),
                        Plans.of(
                                150,
                                block(
                                        "b",
                                        Block.Order.IN_ORDER,
                                        Block.Repeat.ONCE,
                                        thigh("w").seconds(120))))
                .says("The plan takes 2:25 of 1:40: 0:45 too long, and what runs over is dropped on the second side."));
    }
}
