package palmtally.core.secondlook;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.Map;
import org.junit.jupiter.api.Test;
import palmtally.core.InvalidValue;
import palmtally.core.finding.Criterion;

class SecondLookTest {
    private static final LocalDate SHOWN = LocalDate.of(2026, 12, 20);
    private static final Map<Criterion, Double> WAS = Map.of(Criterion.DRAPING, 55.0, Criterion.ORDER, 70.0);

    @Test
    void may_be_asked_for_until_the_last_of_the_schools_days() {
        var days = new SecondLookDays(14);
        assertThat(days.last(SHOWN)).isEqualTo(LocalDate.of(2027, 1, 3));
        assertThat(days.open(SHOWN, SHOWN)).isTrue();
        assertThat(days.open(SHOWN, LocalDate.of(2027, 1, 3))).isTrue();
        assertThat(days.open(SHOWN, LocalDate.of(2027, 1, 4))).isFalse();
    }

    @Test
    void may_not_be_asked_for_in_a_school_without() {
        assertThat(new SecondLookDays(0).open(SHOWN, SHOWN)).isFalse();
        assertThat(new SecondLookDays(1).open(SHOWN, SHOWN)).isTrue();
        assertThatThrownBy(() -> new SecondLookDays(-1)).isInstanceOf(InvalidValue.class);
        assertThatThrownBy(() -> new SecondLookDays(366)).hasMessageContaining("0 to 365");
    }

    @Test
    void needs_a_reason_on_both_sides() {
        for (var none : new String[] {"", " \n ", "x".repeat(2001), "a\0b"}) {
            assertThatThrownBy(() -> new SecondLookAsked(null, none)).isInstanceOf(InvalidValue.class);
            assertThatThrownBy(() -> new SecondLookDecision(Map.of(), none)).isInstanceOf(InvalidValue.class);
        }
        assertThat(new SecondLookAsked(null, "  the sheet was tucked ").reason())
                .isEqualTo("the sheet was tucked");
    }

    @Test
    void changes_only_what_was_asked_about_and_is_other_than_it_was() {
        var draping = new SecondLookAsked(Criterion.DRAPING, "it was tucked");
        var all = new SecondLookAsked(null, "all of it");
        assertThat(SecondLookDecision.on(draping, WAS, Map.of(Criterion.DRAPING, 65.0), "seen")
                        .marks())
                .containsExactly(Map.entry(Criterion.DRAPING, 65.0));
        assertThat(SecondLookDecision.on(draping, WAS, Map.of(Criterion.DRAPING, 55.0), "seen")
                        .stands())
                .isTrue();
        assertThat(SecondLookDecision.on(all, WAS, Map.of(), "seen").stands()).isTrue();
        // What was not observed at first may get its mark.
        assertThat(SecondLookDecision.on(all, WAS, Map.of(Criterion.PRESSURE, 50.0), "seen")
                        .marks())
                .containsExactly(Map.entry(Criterion.PRESSURE, 50.0));
        assertThatThrownBy(() -> SecondLookDecision.on(draping, WAS, Map.of(Criterion.ORDER, 90.0), "seen"))
                .hasMessageContaining("marks/order was not asked about");
        assertThatThrownBy(() -> SecondLookDecision.on(all, WAS, Map.of(Criterion.ORDER, 100.5), "seen"))
                .hasMessageContaining("must be 0 to 100");
        assertThatThrownBy(() -> SecondLookDecision.on(all, WAS, Map.of(Criterion.ORDER, Double.NaN), "seen"))
                .hasMessageContaining("must be 0 to 100");
    }
}
