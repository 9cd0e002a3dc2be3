package palmtally.core.competency;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import palmtally.core.body.Region;
import palmtally.core.body.Zone;
import palmtally.core.competency.Gate.Seen;
import palmtally.core.finding.Criterion;
import palmtally.core.profile.Profile;

/** Guarded areas and what comes before them (common practice, no source: gluteals after three clean drapes of the leg, jaw after neck). */
class GateTest {
    private static Map<Seen, List<Evidence>> seen(Region region, Criterion criterion, double... scores) {
        var pieces = new ArrayList<Evidence>();
        for (int i = 0; i < scores.length; i++) pieces.add(new Evidence("p" + i, i, 7 * i, scores[i], 1, false));
        var all = new HashMap<Seen, List<Evidence>>();
        all.put(new Seen(region, criterion), pieces);
        return all;
    }

    private static Gate.Passage at(Gate gate, Map<Seen, List<Evidence>> evidence) {
        return gate.passage(evidence, 5, 12, Profile.bySeconds());
    }

    @ParameterizedTest
    @CsvSource({"80, 80, 80, true", "80, 80, 59, false", "60, 61, 62, true"})
    void the_gluteals_open_with_the_third_clean_drape_of_a_leg(double a, double b, double c, boolean open) {
        assertThat(at(Gate.GLUTEALS, seen(Region.LOWER_LEG, Criterion.DRAPING, a, b, c))
                        .open())
                .isEqualTo(open);
    }

    @Test
    void a_drape_with_something_critical_is_not_clean() {
        var evidence = seen(Region.THIGH, Criterion.DRAPING, 80, 80);
        evidence.get(new Seen(Region.THIGH, Criterion.DRAPING)).add(new Evidence("x", 3, 21, 90, 1, true));
        assertThat(at(Gate.GLUTEALS, evidence))
                .isEqualTo(new Gate.Passage(
                        Gate.GLUTEALS,
                        false,
                        "The gluteals come after 3 times a clean drape of the leg; 2 were seen."));
    }

    @Test
    void drapes_elsewhere_and_other_criteria_open_nothing() {
        assertThat(at(Gate.GLUTEALS, seen(Region.CHEST, Criterion.DRAPING, 90, 90, 90))
                        .open())
                .isFalse();
        assertThat(at(Gate.GLUTEALS, seen(Region.THIGH, Criterion.ORDER, 90, 90, 90))
                        .open())
                .isFalse();
    }

    @Test
    void jaw_and_front_of_neck_open_once_pressure_on_the_neck_is_secure() {
        assertThat(at(Gate.JAW, seen(Region.NECK, Criterion.PRESSURE, 90)).open())
                .isFalse();
        assertThat(at(Gate.JAW, seen(Region.NECK, Criterion.PRESSURE, 90)).why())
                .contains("it is emerging now");
        for (var gate : List.of(Gate.JAW, Gate.FRONT_OF_NECK))
            assertThat(at(gate, seen(Region.NECK, Criterion.PRESSURE, 85, 88, 90))
                            .open())
                    .isTrue();
    }

    @Test
    void only_gates_on_the_way_are_named() {
        assertThat(Gate.before(List.of(Zone.CALF, Zone.STRAP_MUSCLE), Map.of(), 0, 12, Profile.bySeconds()))
                .extracting(Gate.Passage::gate)
                .containsExactly(Gate.FRONT_OF_NECK);
    }
}
