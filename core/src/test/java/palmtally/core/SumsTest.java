package palmtally.core;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import java.util.stream.DoubleStream;
import org.junit.jupiter.api.Test;

/** Beside the streams of the JDK this runs on, an implementation of its own. */
class SumsTest {
    @Test
    void are_those_of_the_jdk_to_the_last_bit() {
        var random = new Random(20_261_201);
        for (int i = 0; i < 2000; i++) {
            var values = random.doubles(random.nextInt(40), -100, 1000)
                    .map(v -> random.nextBoolean() ? v : v / 1e6)
                    .toArray();
            assertThat(Sums.of(DoubleStream.of(values)))
                    .isEqualTo(DoubleStream.of(values).sum());
            assertThat(Sums.mean(DoubleStream.of(values)))
                    .isEqualTo(DoubleStream.of(values).average());
        }
    }

    @Test
    void carry_what_rounding_took() {
        assertThat(Sums.of(DoubleStream.of(1, 1e-16, 1e-16, 1e-16, 1e-16))).isEqualTo(1.0000000000000004);
        assertThat(1 + 1e-16 + 1e-16 + 1e-16 + 1e-16).isEqualTo(1);
    }

    @Test
    void nothing_has_no_mean() {
        assertThat(Sums.of(DoubleStream.empty())).isZero();
        assertThat(Sums.mean(DoubleStream.empty())).isEmpty();
    }
}
