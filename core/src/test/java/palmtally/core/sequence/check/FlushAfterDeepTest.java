package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;

class FlushAfterDeepTest extends CheckTest {
    FlushAfterDeepTest() {
        super(FlushAfterDeep.RULE, "warn order");
    }

    @Override
    List<Case> cases() {
        return List.of(
                of(
                                "no flush",
                                eachSide(thigh("w"), thigh("k").deep(3), fist("f")),
                                eachSide(thigh("w"), thigh("k").deep(3), fist("f"), thigh("x")))
                        .says(
                                "Nothing calms back of the thigh (hamstrings) after step 3, its last deep one: deep work left unflushed stays sore.")
                        .mends(
                                "Add 20 s flush after step 3: New step 4: Flush, palm glide, 20 s. (flush-1, effleurage, palm, depth 2, hamstrings, each, open, dry, flush)"));
    }
}
