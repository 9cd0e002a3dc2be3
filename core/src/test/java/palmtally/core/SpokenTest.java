package palmtally.core;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import palmtally.core.finding.Spoken;

class SpokenTest {
    @Test
    void a_value_below_its_limit_never_reads_as_if_it_were_at_it() {
        assertThat(Spoken.below(16.04, 60)).isEqualTo("16");
        assertThat(Spoken.below(59.6, 60)).isEqualTo("59.6");
        assertThat(Spoken.below(59.999, 60)).isEqualTo("59.99");
        assertThat(Spoken.below(62.4, 62.5)).isEqualTo("62");
    }

    @Test
    void one_of_a_thing_is_not_many() {
        assertThat(Spoken.counted(1, "report")).isEqualTo("1 report");
        assertThat(Spoken.counted(0, "report")).isEqualTo("0 reports");
    }
}
