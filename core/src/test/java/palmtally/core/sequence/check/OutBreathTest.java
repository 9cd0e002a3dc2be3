package palmtally.core.sequence.check;

import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Position;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Plans;
import palmtally.core.sequence.Plans.Made;
import palmtally.core.sequence.detail.ClientPart;
import palmtally.core.technique.Technique.Effort;

class OutBreathTest extends CheckTest {
    OutBreathTest() {
        super(OutBreath.RULE, "warn pressure");
    }

    private static Made ribs() {
        return step("r").on(Zone.RIB_EDGE).deep(2).lying(Position.SUPINE);
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of("sinks in whatever the breath does", eachSide(ribs()), eachSide(ribs().effort(Effort.BREATH)))
                        .says(
                                "Step 1 sinks under the rib edge without the breath: on the out-breath the wall gives way, else the hand presses organs against it.")
                        .mends("Sink on the out-breath: Step 1, Step r: client's part passive → breath."),
                of("skin only", eachSide(ribs()), eachSide(ribs().deep(1)))
                        .says(
                                "Step 1 sinks under the rib edge without the breath: on the out-breath the wall gives way, else the hand presses organs against it.")
                        .mends("Sink on the out-breath: Step 1, Step r: client's part passive → breath."));
    }

    @Test
    void a_pattern_that_sinks_on_the_out_breath_is_as_good_as_the_word_for_it() {
        silent(eachSide(ribs().saying(e -> e.part =
                List.of(ClientPart.of(ClientPart.Does.BREATHES_IN), ClientPart.of(ClientPart.Does.BREATHES_OUT)))));
        assertThat(Plans.findings(
                        eachSide(ribs().saying(e -> e.part = List.of(ClientPart.of(ClientPart.Does.BREATHES_IN)))),
                        A,
                        OutBreath.RULE))
                .hasSize(1);
    }
}
