package palmtally.core.body;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Site ceilings on the 0–5 depth scale (common practice, no source; teaching defaults, local texts win). */
class ZoneTest {
    @ParameterizedTest
    @CsvSource({
        "THROAT, 0, 0",
        "NECK_SIDE, 1, 1",
        "STRAP_MUSCLE, 2, 3",
        "BELOW_EAR, 1, 1",
        "BASE_OF_SKULL, 3, 3",
        "SPINE, 0, 0",
        "KIDNEYS, 2, 2",
        "BELLY, 2, 2",
        "RIB_EDGE, 2, 2",
        "BREAST, 0, 0",
        "STERNUM, 1, 2",
        "ARMPIT, 2, 2",
        "UPPER_ARM_INNER, 1, 2",
        "ELBOW_INSIDE, 1, 2",
        "GROIN, 1, 1",
        "KNEE_BACK, 1, 1",
        "KNEE_INNER, 1, 1",
        "CALF_CENTRE, 3, 3",
        "HIP_ROTATORS, 5, 5",
        "HAMSTRINGS, 5, 5",
        "CALF, 4, 4",
        "TOP_OF_SHOULDER, 4, 4"
    })
    void a_site_takes_no_more_than(Zone zone, int low, int high) {
        var ceiling = zone.ceiling().orElseThrow();
        assertThat(ceiling.low()).isEqualTo(low);
        assertThat(ceiling.high()).isEqualTo(high);
        assertThat(ceiling.why()).isNotBlank();
    }

    @ParameterizedTest
    @CsvSource({"THROAT", "SPINE", "BELOW_EAR", "SHIN_LOWER", "BASE_OF_SKULL"})
    void some_sites_take_broad_tools_only(Zone zone) {
        assertThat(zone.ceiling().orElseThrow().broadOnly()).isTrue();
    }

    @Test
    void every_region_but_the_whole_body_has_zones_and_head_and_neck_are_never_draped() {
        for (var region : Region.values())
            if (region != Region.WHOLE_BODY)
                assertThat(java.util.Arrays.stream(Zone.values()).filter(z -> z.region() == region))
                        .as(region.label())
                        .isNotEmpty();
        assertThat(DrapeUnit.HEAD.draped()).isFalse();
        assertThat(Zone.NECK_BACK.unit()).isEqualTo(DrapeUnit.HEAD);
    }

    @Test
    void work_on_both_sides_reaches_either() {
        assertThat(Side.BOTH.reaches(Side.LEFT)).isTrue();
        assertThat(Side.LEFT.reaches(Side.RIGHT)).isFalse();
        assertThat(Side.LEFT.other()).isEqualTo(Side.RIGHT);
        assertThat(Side.MIDLINE.other()).isEqualTo(Side.MIDLINE);
    }
}
