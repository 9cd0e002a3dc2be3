package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Position;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Sides;

class TurnsTest extends CheckTest {
    TurnsTest() {
        super(Turns.RULE, "warn order");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "prone, supine, prone",
                                once(
                                        step("a").side(Sides.EACH),
                                        step("b").on(Zone.SHIN).side(Sides.EACH).lying(Position.SUPINE),
                                        thigh("c").side(Sides.EACH)),
                                once(
                                        step("a").side(Sides.EACH).before("b"),
                                        step("b")
                                                .on(Zone.SHIN)
                                                .side(Sides.EACH)
                                                .lying(Position.SUPINE)
                                                .before("c"),
                                        thigh("c").side(Sides.EACH)))
                        .says(
                                "The client is turned twice and once would do: each turn costs 60 s and the client's rest.")
                        .mends(
                                "Put the steps in the order with the fewest turns: Blocks: b (in-order, once) → b (in-order, once), b (in-order, once). Step b moved from place 2 to place 3."));
    }

    /** That the client turns over for the second side is no turn too many. */
    @Test
    void turning_over_for_the_second_side_is_none_too_many() {
        silent(eachSide(thigh("a").lying(Position.SIDE_LEFT), thigh("b").lying(Position.SIDE_LEFT)));
    }
}
