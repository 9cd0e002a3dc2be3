package palmtally.core.sequence.check;

import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.core.sequence.Plans.block;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Block;
import palmtally.core.sequence.Plans;
import palmtally.core.sequence.Sequence;

class TimeSlotTest extends CheckTest {
    TimeSlotTest() {
        super(TimeSlot.RULE, "warn order");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of("145 of 100 s", filling(100), filling(150))
                        .says(
                                "The plan takes 2:25 of 1:40: 0:45 too long, and what runs over is dropped on the second side."),
                of("145 of 200 s", filling(200), filling(145)).says("The plan takes 2:25 of 3:20: 0:55 are left."));
    }

    /** Two minutes of work and 25 s for the sheet. */
    private static Sequence filling(double slot) {
        return Plans.of(
                slot,
                block("b", Block.Order.IN_ORDER, Block.Repeat.ONCE, thigh("w").seconds(120)));
    }

    @ParameterizedTest
    @CsvSource({"144.999, warn", "145, ''", "181.25, ''", "181.251, hint", "300, hint"})
    void what_fills_it_from_eight_tenths_on_is_silent(double slot, String severity) {
        assertThat(Plans.findings(filling(slot), A, TimeSlot.RULE).stream()
                        .map(f -> f.severity().toString())
                        .collect(Collectors.joining()))
                .isEqualTo(severity);
    }

    @ParameterizedTest
    @CsvSource({"STOP, HINT", "WARN, HINT", "HINT, HINT"})
    void time_left_is_never_worth_more_than_a_hint(Severity school, Severity said) {
        assertThat(Plans.findings(filling(300), A.withSeverities(Map.of(TimeSlot.RULE, school)), TimeSlot.RULE))
                .singleElement()
                .satisfies(f -> assertThat(f.severity()).isEqualTo(said));
    }
}
