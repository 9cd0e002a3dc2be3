package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;

class WarmUpTest extends CheckTest {
    WarmUpTest() {
        super(WarmUp.RULE, "stop order");
    }

    @Override
    List<Case> cases() {
        return List.of(
                of(
                                "30 and 20 s before the fist",
                                eachSide(
                                        thigh("w").seconds(30),
                                        thigh("k").seconds(20).deep(3),
                                        fist("f"),
                                        thigh("x")),
                                eachSide(
                                        thigh("w").seconds(40),
                                        thigh("k").seconds(20).deep(3),
                                        fist("f"),
                                        thigh("x")))
                        .says(
                                "Step 3 goes firm on back of the thigh (hamstrings), after 50 s of warm-up; the profile asks for 60 s, because unprepared tissue guards.")
                        .mends(
                                "Add 10 s palm glide before step 3: New step 3: Warm-up palm glide, 10 s. (warm-up-1, effleurage, palm, depth 2, hamstrings, each, open, dry, warm)"));
    }
}
