package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Zone;
import palmtally.core.technique.Tool;

class BroadFirstTest extends CheckTest {
    BroadFirstTest() {
        super(BroadFirst.RULE, "warn order");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "thumb first",
                                eachSide(step("t").technique("stripping-thumb").with(Tool.SUPPORTED_THUMB), step("x")),
                                eachSide(
                                        step("x"),
                                        step("t").technique("stripping-thumb").with(Tool.SUPPORTED_THUMB)))
                        .says(
                                "Step 1 meets calf with the supported thumb before any broad tool: a point on unprepared tissue hurts and tells the hand little.")
                        .mends(
                                "Add 30 s palm work before step 1: New step 1: Broad palm stroke, 30 s. (broad-1, effleurage, palm, depth 2, calf, each, open, dry, warm)"));
    }

    @Test
    void a_site_is_opened_with_the_zone_it_lies_in() {
        silent(eachSide(step("k"), step("c").on(Zone.CALF_CENTRE).with(Tool.SUPPORTED_THUMB)));
    }
}
