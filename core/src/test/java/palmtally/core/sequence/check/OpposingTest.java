package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import palmtally.core.body.Position;
import palmtally.core.body.Zone;

class OpposingTest extends CheckTest {
    OpposingTest() {
        super(Opposing.RULE, "hint order");
    }

    @Override
    List<Case> cases() {
        return List.of(
                of(
                                "hamstrings without quadriceps",
                                eachSide(thigh("w"), thigh("k").deep(3), fist("f"), thigh("x")),
                                eachSide(
                                        thigh("w"),
                                        thigh("k").deep(3),
                                        fist("f"),
                                        thigh("x"),
                                        step("q").on(Zone.THIGH_FRONT).lying(Position.SUPINE)))
                        .says(
                                "Back of the thigh (hamstrings) is treated and its opponent, front of the thigh (quadriceps), is left out: what is loosened on one side is pulled back from the other."));
    }
}
