package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import java.util.function.Consumer;
import palmtally.core.body.Position;
import palmtally.core.body.Structure;
import palmtally.core.body.Zone;
import palmtally.core.sequence.detail.DetailEdit;

class OpposingTest extends CheckTest {
    OpposingTest() {
        super(Opposing.RULE, "hint order");
    }

    @Override
    protected List<Case> cases() {
        Consumer<DetailEdit> named = d -> d.structures = List.of(Structure.VASTUS_LATERALIS);
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
                                "Back of the thigh (hamstrings) is treated and its opponent, front of the thigh (quadriceps), is left out: what is loosened on one side is pulled back from the other."),
                of(
                                "a muscle that is named",
                                eachSide(
                                        step("w").on(Zone.THIGH_OUTER),
                                        fist("f").on(Zone.THIGH_OUTER).saying(named)),
                                eachSide(
                                        step("w").on(Zone.THIGH_OUTER),
                                        fist("f").on(Zone.THIGH_OUTER).saying(named),
                                        thigh("x")))
                        .says(
                                "Step 2 treats vastus lateralis and nothing treats biceps of the thigh against it: what is loosened on one side is pulled back from the other."));
    }
}
