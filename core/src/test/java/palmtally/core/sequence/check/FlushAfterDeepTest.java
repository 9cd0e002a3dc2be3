package palmtally.core.sequence.check;

import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Zone;

class FlushAfterDeepTest extends CheckTest {
    FlushAfterDeepTest() {
        super(FlushAfterDeep.RULE, "warn order");
    }

    @Override
    protected List<Case> cases() {
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

    @Test
    void a_site_is_flushed_with_the_zone_it_lies_in() {
        silent(eachSide(
                step("k").on(Zone.GLUTEALS),
                step("r").on(Zone.HIP_ROTATORS).deep(4),
                step("x").on(Zone.GLUTEALS)));
    }
}
