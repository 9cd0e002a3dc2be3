package palmtally.core.technique;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

/** Factors of NIST SP 811 (2008), appendix B.8 (from memory); one pound is 0.453 592 37 kg exactly, standard gravity 9.806 65 m/s². */
class UnitsTest {
    @Test
    void a_pound_force_is_its_mass_times_standard_gravity() {
        assertThat(Units.poundsForce(1)).isCloseTo(0.45359237 * 9.80665, within(1e-15));
        assertThat(Units.kilogramsForce(1)).isEqualTo(9.80665);
    }

    /** 30 lbf, far too much on the abdomen, is 133 N (common practice, no source). */
    @Test
    void thirty_pounds_force_are_133_newtons() {
        assertThat(Units.poundsForce(30)).isCloseTo(133, within(0.5));
    }

    @Test
    void half_an_inch_is_12_7_millimetres() {
        assertThat(Units.inches(0.5)).isEqualTo(12.7);
        assertThat(Dose.stations(Units.inches(4), Units.inches(0.5), 5).count()).isEqualTo(8);
    }
}
