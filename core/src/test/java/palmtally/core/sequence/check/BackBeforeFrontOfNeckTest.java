package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;
import palmtally.core.body.Zone;
import palmtally.core.sequence.SayKind;

class BackBeforeFrontOfNeckTest extends CheckTest {
    BackBeforeFrontOfNeckTest() {
        super(BackBeforeFrontOfNeck.RULE, "warn order");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "strap muscle at once",
                                eachSide(neck("f").on(Zone.STRAP_MUSCLE).say(SayKind.CONSENT)),
                                eachSide(
                                        neck("b"),
                                        neck("f").on(Zone.STRAP_MUSCLE).say(SayKind.CONSENT)))
                        .says(
                                "Step 1 works the front of the neck before its back has been met: the client guards the throat.")
                        .mends(
                                "Add 30 s on the back of the neck before step 1: New step 1: Effleurage (glide), 30 s. (warm-1, effleurage, palm, depth 2, neck-back, each, through, dry, warm)"));
    }
}
