package palmtally.core.technique;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import palmtally.core.InvalidValue;
import palmtally.core.body.Zone;
import palmtally.core.technique.DoseTable.Per;

/** Doses and the dose table (common practice, no source). */
class DoseTest {
    /** An inch is 25.4 mm exactly (NIST SP 811, from memory). Rows: common practice, no source. */
    @ParameterizedTest
    @CsvSource({
        "101.6, 12.7, 5, 8, 40", // an edge of 4 in at ½ in a station: 8 stations, 40 s a side
        "101.6, 12.7, 10, 8, 80", // and 80 s at 10 s each
        "254, 25.4, 6, 10, 60", // hamstrings at 1 in
        "5, 12.7, 5, 1, 5" // a short edge is still one station
    })
    void stations_are_length_over_spacing(double length, double spacing, double hold, int count, double seconds) {
        var dose = Dose.stations(length, spacing, hold);
        assertThat(dose.count()).isEqualTo(count);
        assertThat(dose.totalSeconds()).isEqualTo(seconds);
    }

    @Test
    void stations_need_a_length_and_a_spacing() {
        assertThatThrownBy(() -> Dose.stations(0, -1, 5))
                .isInstanceOf(InvalidValue.class)
                .hasMessageContaining("lengthMm")
                .hasMessageContaining("spacingMm");
    }

    @Test
    void three_to_six_slow_breaths_are_thirty_to_sixty_seconds() {
        assertThat(Dose.breaths(3).totalSeconds()).isEqualTo(30);
        assertThat(Dose.breaths(6).totalSeconds()).isEqualTo(60);
    }

    @ParameterizedTest
    @CsvSource({"1, 120", "2, 240"})
    void two_minutes_of_friction_are_120_to_240_cycles(double rate, int cycles) {
        assertThat(Dose.cycles(cycles, rate).totalSeconds()).isEqualTo(120);
    }

    @ParameterizedTest
    @EnumSource(Dose.Kind.class)
    void a_dose_brought_to_another_length_keeps_its_kind(Dose.Kind kind) {
        var dose = switch (kind) {
            case SECONDS -> Dose.seconds(30);
            case PASSES -> Dose.passes(3, 10);
            case HOLDS -> Dose.holds(3, 10);
            case CYCLES -> Dose.cycles(60, 2);
            case BREATHS -> Dose.breaths(3);
            case UNTIL_SOFT -> Dose.untilSoft(30);
        };
        var longer = dose.withTotalSeconds(60);
        assertThat(longer.kind()).isEqualTo(kind);
        assertThat(longer.totalSeconds()).isCloseTo(60, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({
        "SECONDS, , , ",
        "PASSES, 10, , ",
        "PASSES, , 3, ",
        "HOLDS, 5, 0, ",
        "CYCLES, 5, 10, 1",
        "CYCLES, , 10, ",
        "CYCLES, , 10, 11",
        "BREATHS, 10, 1001, ",
        "UNTIL_SOFT, 90, 2, ",
        "SECONDS, 30, , 2"
    })
    void a_dose_that_says_too_little_or_too_much_is_refused(
            Dose.Kind kind, Double seconds, Integer count, Double rate) {
        assertThatThrownBy(() -> new Dose(kind, seconds, count, rate)).isInstanceOf(InvalidValue.class);
    }

    /** The dose table of the trade (common practice, no source), row by row. */
    @ParameterizedTest
    @CsvSource({
        "trigger-point, STRAP_MUSCLE, HOLD, 3, 5",
        "trigger-point, SHOULDER_BLADE, HOLD, 8, 10",
        "trigger-point, BELLY, HOLD, 30, 60",
        "sacral-press, SACRUM, HOLD, 5, 10",
        "fascia-indirect, LUMBAR, WHOLE, 90, Infinity",
        "fascia-direct, LUMBAR, PASS, 5, Infinity",
        "skin-rolling, UPPER_BACK, WHOLE, 30, Infinity",
        "cross-fibre, ACHILLES, WHOLE, 0, 120",
        "stretch, CALF, WHOLE, 30, Infinity",
        "heat, LUMBAR, WHOLE, 300, Infinity",
        "petrissage, JAW_MUSCLES, WHOLE, 120, 180"
    })
    void the_dose_table_says(String technique, Zone zone, Per per, double least, double most) {
        var row = DoseTable.find(Techniques.SHIPPED.get(technique), zone).orElseThrow();
        assertThat(row.per()).isEqualTo(per);
        assertThat(row.least()).isEqualTo(least);
        assertThat(row.most()).isEqualTo(most);
    }

    @Test
    void friction_on_a_tendon_runs_at_one_to_two_cycles_a_second() {
        var row = DoseTable.find(Techniques.SHIPPED.get("cross-fibre"), Zone.ACHILLES)
                .orElseThrow();
        assertThat(row.rateLow()).isEqualTo(1);
        assertThat(row.rateHigh()).isEqualTo(2);
    }

    @Test
    void every_technique_has_a_standard_name_a_tool_and_a_dose() {
        assertThat(Techniques.SHIPPED.all()).hasSizeGreaterThan(20).allSatisfy(t -> {
            assertThat(t.name()).isNotBlank();
            assertThat(t.depth()).isBetween(0, 5);
            assertThat(t.dose().totalSeconds()).isPositive();
        });
        assertThatThrownBy(() -> Techniques.SHIPPED.get("nothing")).isInstanceOf(IllegalArgumentException.class);
    }

    /** Any dose that is taken can be made as long as anybody asks: within what may be, and never an error. */
    @Test
    void a_dose_can_be_made_as_long_as_is_asked() {
        var random = new java.util.Random(17);
        for (int i = 0; i < 1000; i++) {
            int count = 1 + random.nextInt(1000);
            double seconds = Math.max(0.001, random.nextDouble() * 3600);
            for (var dose : java.util.List.of(
                    Dose.passes(count, seconds),
                    Dose.holds(count, seconds),
                    Dose.cycles(count, 0.01 + random.nextDouble() * 9.99),
                    Dose.seconds(seconds))) {
                var made = dose.withTotalSeconds(random.nextDouble() * 40_000);
                assertThat(made.kind()).isEqualTo(dose.kind());
                assertThat(made.totalSeconds()).isPositive();
                if (made.count() != null) assertThat(made.count()).isBetween(1, 1000);
            }
        }
    }

    @Test
    void a_rhythm_of_no_cycle_in_a_hundred_seconds_is_none() {
        for (double slow : new double[] {1e-300, 0.009, 0, Double.NaN})
            assertThatThrownBy(() -> Dose.cycles(10, slow)).hasMessageContaining("must be 0.01 to 10 a second");
        assertThat(Dose.cycles(10, 0.01).totalSeconds()).isEqualTo(1000);
    }
}
