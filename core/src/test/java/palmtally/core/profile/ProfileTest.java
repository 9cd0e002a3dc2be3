package palmtally.core.profile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Map;
import java.util.function.Function;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import palmtally.core.InvalidValue;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;

class ProfileTest {
    private static final Profile A = Profile.bySeconds();
    private static final Profile B = Profile.byResponse();

    @Test
    void the_two_that_ship_disagree_where_teachers_do() {
        var settings = Stream.<Function<Profile, Object>>of(
                p -> p.order().warmUpSeconds(),
                p -> p.order().limb(),
                p -> p.order().firstOnSkin(),
                p -> p.dose().holdEnd(),
                p -> p.pressure().ceilingEnd(),
                p -> p.pressure().specificBand(),
                p -> p.draping().gluteals(),
                p -> p.draping().consent(),
                p -> p.mechanics().bareThumbShare(),
                p -> p.communication().largestSilenceSeconds(),
                p -> p.marking().cut());
        assertThat(settings.filter(s -> !s.apply(A).equals(s.apply(B)))).hasSizeGreaterThanOrEqualTo(6);
    }

    @Test
    void defaults_weigh_all_criteria_alike() {
        assertThat(A.marking().criteria().values()).containsOnly(20.0).hasSize(5);
        var p = A.marking().pressure();
        assertThat(p.reports() + p.depth() + p.holds() + p.rate())
                .isCloseTo(0.8, org.assertj.core.api.Assertions.within(1e-12));
    }

    @Test
    void a_rule_without_a_setting_keeps_its_own_severity() {
        assertThat(A.severity(Rule.of("ORDER-WARM"))).isEqualTo(Severity.STOP);
        assertThat(with(Map.of(Rule.of("ORDER-WARM"), Severity.HINT)).severity(Rule.of("ORDER-WARM")))
                .isEqualTo(Severity.HINT);
    }

    private static Profile with(Map<Rule, Severity> severities) {
        return A.withSeverities(severities);
    }

    @Test
    void critical_is_not_for_a_profile_to_give() {
        assertThatThrownBy(() -> with(Map.of(Rule.of("ORDER-WARM"), Severity.CRITICAL)))
                .isInstanceOf(InvalidValue.class)
                .hasMessageContaining("must be off, hint, warn or stop");
    }

    @Test
    void bands_lie_on_the_scale() {
        assertThatThrownBy(() -> new Band(5, 4)).isInstanceOf(InvalidValue.class);
        assertThatThrownBy(() -> new Band(-1, 4)).isInstanceOf(InvalidValue.class);
        assertThat(new Band(4, 6).distance(8)).isEqualTo(2);
        assertThat(new Band(4, 6).distance(1)).isEqualTo(3);
        assertThat(new Band(4, 6).distance(5)).isZero();
    }

    @Test
    void five_criteria_in_the_order_of_the_fingers() {
        assertThat(Criterion.values())
                .extracting(Criterion::label)
                .containsExactly(
                        "Pressure control", "Stroke order", "Body mechanics", "Client communication", "Draping");
    }
}
