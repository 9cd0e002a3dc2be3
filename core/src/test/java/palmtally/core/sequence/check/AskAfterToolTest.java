package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;
import palmtally.core.sequence.SayKind;

class AskAfterToolTest extends CheckTest {
    AskAfterToolTest() {
        super(AskAfterTool.RULE, "warn communication");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "fist in silence",
                                eachSide(thigh("w"), thigh("k").deep(3), fist("f"), thigh("x")),
                                eachSide(
                                        thigh("w"),
                                        thigh("k").deep(3),
                                        fist("f").say(SayKind.PRESSURE_QUESTION, 5),
                                        thigh("x")))
                        .says(
                                "Step 3 brings in the loose fist and stays silent: nobody has asked how it feels within 20 s.")
                        .mends(
                                "Ask at 0:10 of step 3: Step 3, Step f: words none → pressure-question “How is this pressure, as a number?” at 10 s."));
    }
}
