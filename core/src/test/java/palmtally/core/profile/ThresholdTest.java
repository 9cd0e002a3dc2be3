package palmtally.core.profile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import palmtally.core.InvalidValue;

/** Every number of a profile can be read and changed by itself. */
class ThresholdTest {
    static List<Threshold> all() {
        return Threshold.all();
    }

    @ParameterizedTest
    @MethodSource("all")
    void changes_itself_and_nothing_else(Threshold t) {
        for (var profile : Profile.shipped()) {
            double now = t.value(profile);
            double other = now + 1 <= t.most() ? now + 1 : now - 1;
            var changed = t.set(profile, other);
            assertThat(t.value(changed)).isEqualTo(other);
            for (var o : Threshold.all())
                if (!o.id().equals(t.id()))
                    assertThat(o.value(changed)).as(o.id()).isEqualTo(o.value(profile));
            for (var s : Setting.all()) assertThat(s.chosen(changed)).isEqualTo(s.chosen(profile));
            assertThat(t.set(changed, now)).isEqualTo(profile);
        }
    }

    @ParameterizedTest
    @MethodSource("all")
    void refuses_what_lies_outside_its_bounds(Threshold t) {
        var a = Profile.bySeconds();
        for (double bad : new double[] {t.least() - 1, t.most() + 1, Double.NaN})
            assertThatThrownBy(() -> t.set(a, bad))
                    .isInstanceOf(InvalidValue.class)
                    .hasMessageContaining(t.id());
        if (t.whole()) assertThatThrownBy(() -> t.set(a, t.least() + 0.5)).hasMessageContaining("whole number");
    }

    @Test
    void ids_are_unique_and_no_setting_has_the_same() {
        assertThat(Threshold.all()).extracting(Threshold::id).doesNotHaveDuplicates();
        assertThat(Threshold.find("cut")).isPresent();
        assertThat(Threshold.find("moon")).isEmpty();
    }

    @Test
    void a_band_whose_ends_cross_is_refused() {
        var low = Threshold.find("specific-band-low").orElseThrow();
        assertThatThrownBy(() -> low.set(Profile.bySeconds(), 9)).hasMessageContaining("low end first");
    }
}
