package palmtally.core.body;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.Locale;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** What is said of structures and landmarks closes: nothing lacks what must oppose it, and each lies where it says. */
class StructureTest {
    /** Where nothing that is named lies: skin and cartilage, bone, and what is never worked. */
    private static final Set<Zone> BARE = EnumSet.of(Zone.SPINE, Zone.BREAST, Zone.EARS);

    @ParameterizedTest
    @EnumSource(Action.class)
    void every_movement_is_made_and_undone_or_says_why_not(Action action) {
        var makes = Arrays.stream(Structure.values())
                .filter(s -> s.actions().contains(action))
                .toList();
        assertThat(makes).isNotEmpty();
        assertThat(action.opposite().isPresent()).isNotEqualTo(action.alone().isPresent());
        action.opposite().ifPresent(o -> {
            assertThat(o.opposite()).contains(action);
            assertThat(o.joint()).isEqualTo(action.joint());
            assertThat(makes.get(0).opposedBy()).isNotEmpty();
        });
    }

    @ParameterizedTest
    @EnumSource(Structure.class)
    void lies_where_its_course_runs(Structure structure) {
        assertThat(structure.course()).hasSizeGreaterThanOrEqualTo(2).doesNotHaveDuplicates();
        var along = structure.course().stream().flatMap(l -> l.zones().stream()).collect(Collectors.toSet());
        assertThat(along).containsAll(structure.zones());
        assertThat(structure.actions().isEmpty()).isEqualTo(structure.kind() != Structure.Kind.MUSCLE);
        assertThat(structure.length(1.7)).isBetween(5.0, 900.0);
    }

    @ParameterizedTest
    @EnumSource(Zone.class)
    void every_zone_has_its_structures(Zone zone) {
        assertThat(Structure.in(zone).isEmpty()).isEqualTo(BARE.contains(zone));
        assertThat(Arrays.stream(Landmark.values()).anyMatch(l -> l.zones().contains(zone)))
                .isEqualTo(zone != Zone.EARS);
    }

    /** One that no course runs through is there to be found and named from, such as where a stroke ends. */
    @ParameterizedTest
    @EnumSource(Landmark.class)
    void every_landmark_lies_in_a_zone_and_within_the_body(Landmark landmark) {
        assertThat(landmark.zones()).isNotEmpty();
        assertThat(landmark.place().up()).isBetween(0.0, 1000.0);
        assertThat(landmark.place().out()).isBetween(0.0, 300.0);
        assertThat(landmark.place().front()).isBetween(-150.0, 150.0);
    }

    @Test
    void a_name_means_one_thing_and_a_groups_name_its_members() {
        var own = new TreeMap<String, Set<Structure>>();
        var shared = new TreeMap<String, Set<Structure>>();
        for (var s : Structure.values()) {
            Stream.of(s.label(), s.latin(), s.toString().replace('-', ' '))
                    .forEach(n -> own.computeIfAbsent(n.toLowerCase(Locale.ROOT), k -> new TreeSet<>())
                            .add(s));
            s.also()
                    .forEach(
                            n -> shared.computeIfAbsent(n, k -> new TreeSet<>()).add(s));
        }
        assertThat(own.values()).allMatch(s -> s.size() == 1);
        assertThat(shared.keySet()).allMatch(n -> n.equals(n.toLowerCase(Locale.ROOT)));
        own.forEach((name, one) ->
                assertThat(shared.getOrDefault(name, one)).as(name).isEqualTo(one));
        assertThat(shared.get("hamstrings"))
                .containsExactlyInAnyOrder(
                        Structure.BICEPS_FEMORIS, Structure.SEMITENDINOSUS, Structure.SEMIMEMBRANOSUS);
        assertThat(shared.get("scm")).containsExactly(Structure.STERNOCLEIDOMASTOID);
        assertThat(shared.get("ql")).containsExactly(Structure.QUADRATUS_LUMBORUM);
        assertThat(shared.get("itb")).containsExactly(Structure.THIGH_BAND);
        assertThat(shared.get("traps")).hasSize(3);
    }

    /**
     * Lengths of segments as parts of the stature: Drillis and Contini, Body Segment Parameters, 1966 (from memory). Bumps and knuckles
     * are not the axes of the joints: within a hundredth and a half.
     */
    @ParameterizedTest
    @CsvSource({
        "upper arm, ACROMION, ELBOW_POINT, 0.186",
        "forearm, ELBOW_POINT, CARPAL_ROWS, 0.146",
        "hand, CARPAL_ROWS, FINGERTIPS, 0.108",
        "thigh, TROCHANTER, KNEE_HOLLOW, 0.245",
        "shank, KNEE_HOLLOW, ANKLE_OUTER, 0.246",
        "foot, HEEL_UNDER, TOE_TIPS, 0.152"
    })
    void segments_are_as_long_as_measured(String what, Landmark from, Landmark to, double share) {
        assertThat(from.distance(to, 1) / 1000).as(what).isCloseTo(share, within(0.015));
    }

    /** Heights of joints and half breadths, by the same source (from memory). */
    @ParameterizedTest
    @CsvSource({
        "KNEE_HOLLOW, 0.285",
        "ANKLE_OUTER, 0.039",
        "TROCHANTER, 0.530",
        "ACROMION, 0.818",
        "CHIN, 0.870",
        "ELBOW_POINT, 0.630",
        "CARPAL_ROWS, 0.485",
        "FINGERTIPS, 0.377"
    })
    void joints_are_as_high_as_measured(Landmark at, double share) {
        assertThat(at.place().up() / 1000).isCloseTo(share, within(0.01));
        assertThat(Landmark.ACROMION.place().out() / 1000).isCloseTo(0.129, within(0.015));
        assertThat(Landmark.TROCHANTER.place().out() / 1000).isCloseTo(0.0955, within(0.01));
    }

    @Test
    void is_found_by_the_movement_it_makes() {
        assertThat(Structure.MASSETER.standsOut().orElseThrow().ask()).isEqualTo("clench the teeth");
        assertThat(Structure.SUPRASPINATUS.standsOut().orElseThrow().ask()).contains("thirty degrees");
        assertThat(Structure.RECTUS_ABDOMINIS.standsOut().orElseThrow().ask()).contains("lift the head");
        assertThat(Structure.OBLIQUE_EXTERNAL.standsOut().orElseThrow().ask()).contains("opposite hip");
        assertThat(Structure.THIGH_BAND.standsOut()).isEmpty();
        assertThat(Structure.TRICEPS.opposedBy())
                .contains(Structure.BICEPS, Structure.BRACHIALIS)
                .doesNotContain(Structure.TRICEPS);
    }
}
