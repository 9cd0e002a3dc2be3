package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.once;

import java.util.List;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Sides;

class ScalpPlaceTest extends CheckTest {
    ScalpPlaceTest() {
        super(ScalpPlace.RULE, "hint order");
    }

    @Override
    protected List<Case> cases() {
        return List.of(of(
                        "scalp before the neck, where it comes last",
                        once(
                                neck("s").on(Zone.SCALP).side(Sides.MIDLINE),
                                neck("n").side(Sides.BOTH)),
                        once(
                                neck("n").side(Sides.BOTH),
                                neck("s").on(Zone.SCALP).side(Sides.MIDLINE)))
                .says(
                        "Step 1 does the scalp in between; this school does it last, so that hair and oil do not meet the rest.")
                .mends("Move it after step 2: Step s moved from place 1 to place 2."));
    }
}
