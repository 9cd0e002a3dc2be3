package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;

import java.util.List;
import palmtally.core.body.Zone;

class StretchAfterHeatTest extends CheckTest {
    StretchAfterHeatTest() {
        super(StretchAfterHeat.RULE, "hint order");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "heat unused",
                                eachSide(heat("h")),
                                eachSide(heat("h"), stretch("s").on(Zone.LUMBAR)))
                        .says("Step 1 warms the zone and the new length is not used: stretch again after heat.")
                        .mends(
                                "Add a 30 s stretch after step 1: New step 2: Stretch, passive, 30 s. (lengthen-1, stretch, palm, depth 2, lumbar, each, open, dry, lengthen, warns, sheet-secured)"));
    }
}
