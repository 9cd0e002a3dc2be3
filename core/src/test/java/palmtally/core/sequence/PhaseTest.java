package palmtally.core.sequence;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import palmtally.core.technique.Techniques;

/** Where in a treatment a technique has its place: common practice, no source. */
class PhaseTest {
    @Test
    void all_are_gentle_but_the_three_of_specific_work() {
        assertThat(Arrays.stream(Phase.values())
                        .filter(p -> !p.gentle())
                        .map(Phase::toString)
                        .collect(Collectors.joining(" ")))
                .isEqualTo("isolate treat lengthen");
    }

    @ParameterizedTest
    @CsvSource({
        "still-hold, SETTLE",
        "effleurage, WARM",
        "petrissage, WARM",
        "fist-glide, TREAT",
        "forearm-glide, TREAT",
        "stretch, LENGTHEN",
        "trigger-point, TREAT",
        "heat, RESET",
        "cold, RESET"
    })
    void a_glide_warms_until_it_is_firm(String technique, Phase usual) {
        assertThat(Phase.usual(Techniques.SHIPPED.get(technique))).isEqualTo(usual);
    }
}
