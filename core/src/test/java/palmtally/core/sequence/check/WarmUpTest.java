package palmtally.core.sequence.check;

import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Plans;

class WarmUpTest extends CheckTest {
    WarmUpTest() {
        super(WarmUp.RULE, "stop order");
    }

    @Override
    protected List<Case> cases() {
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

    /** The middle of the calf lies in it: who kneads the calf has warmed it. */
    @Test
    void a_site_is_warmed_with_the_zone_it_lies_in() {
        silent(eachSide(step("k").seconds(90), step("c").on(Zone.CALF_CENTRE).deep(4), step("x")));
        assertThat(Plans.findings(
                        eachSide(
                                step("k").on(Zone.CALF_CENTRE).seconds(90),
                                step("c").deep(4)),
                        A,
                        rule))
                .as("the site does not warm what it lies in")
                .hasSize(1);
    }
}
