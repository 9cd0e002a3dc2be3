package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;

class NeckBeforeJawTest extends CheckTest {
    NeckBeforeJawTest() {
        super(NeckBeforeJaw.RULE, "warn order");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of("jaw at once", eachSide(jaw("j")), eachSide(neck("n"), jaw("j")))
                        .says("Step 1 works the jaw before the neck: a tight neck holds the jaw.")
                        .mends(
                                "Add 30 s on the neck before step 1: New step 1: Effleurage (glide), 30 s. (warm-1, effleurage, palm, depth 2, neck-back, each, through, dry, warm)"));
    }
}
