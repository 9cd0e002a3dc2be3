package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import palmtally.core.body.Zone;

class FlushAfterHeatTest extends CheckTest {
    FlushAfterHeatTest() {
        super(FlushAfterHeat.RULE, "warn order");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "heat left there",
                                eachSide(heat("h")),
                                eachSide(heat("h"), step("x").on(Zone.LUMBAR)))
                        .says(
                                "Step 1 warms the zone and nothing flushes it afterwards: what the heat has drawn in stays there.")
                        .mends(
                                "Add a 20 s flush after step 1: New step 2: Effleurage (glide), 20 s. (flush-1, effleurage, palm, depth 2, lumbar, each, open, dry, flush)"));
    }
}
