package palmtally.core.profile;

import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.core.profile.DrapePoint.*;

import java.util.Arrays;
import java.util.HashSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import palmtally.core.body.Position;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Block;
import palmtally.core.sequence.Plans;
import palmtally.core.sequence.Sheet;

/** How the sheet is opened (common practice, no source). */
class DrapeMethodTest {
    @Test
    void a_leg_is_tucked_or_threaded() {
        assertThat(DrapeMethod.LEG_TUCK.points())
                .containsExactly(
                        BLANKET_ASIDE,
                        AT_THE_WAIST,
                        EDGE_SEEN,
                        WITH_THE_LEGS,
                        AS_HIGH_AS_NEEDED,
                        UP_TO_THE_HIP,
                        LAID_DOWN,
                        ROLLED_UNDER,
                        GATHERED,
                        COVERED_WHEN_DONE,
                        COVERED_AT_END);
        assertThat(DrapeMethod.LEG_THREAD.points()).containsSubsequence(FAN_FOLDED, PINCHED, THREADED, ROLLED_UNDER);
        assertThat(DrapeMethod.CLOTHED.points()).containsExactly(CLOTHES_AS_THEY_ARE, OWN_TOWEL);
    }

    @Test
    void no_point_stands_twice_and_none_is_of_no_method() {
        var used = new HashSet<DrapePoint>();
        for (var method : DrapeMethod.values()) {
            assertThat(method.points()).as("%s", method).doesNotHaveDuplicates().hasSizeLessThanOrEqualTo(11);
            used.addAll(method.points());
        }
        assertThat(used).containsAll(Arrays.asList(DrapePoint.values()));
    }

    @ParameterizedTest
    @CsvSource({
        "HAMSTRINGS, PRONE, OPEN, leg-tuck, leg-thread",
        "GLUTEALS, PRONE, OPEN, gluteal-by-stroke, gluteal-by-hand",
        "GLUTEALS, SIDE_LEFT, THROUGH, gluteal-over-sheet, gluteal-over-sheet",
        "HAMSTRINGS, SIDE_RIGHT, OPEN, side-lying, side-lying",
        "LUMBAR, PRONE, OPEN, back, back",
        "FOREARM_FLEXORS, SUPINE, OPEN, arm, arm",
        "CHEST_WALL, SUPINE, OPEN, chest-drape, chest-arms",
        "BELLY, SUPINE, OPEN, abdomen, abdomen",
        "SCALP, SUPINE, OPEN, none, none"
    })
    void is_the_schools_unless_the_block_says_another(
            Zone zone, Position lying, Sheet sheet, String bySeconds, String theOther) {
        var step = Plans.step("s").on(zone).lying(lying).sheet(sheet).step();
        var block = Plans.once(Plans.step("s")).blocks().get(0);
        assertThat(named(block, step, Profile.bySeconds())).isEqualTo(bySeconds);
        assertThat(named(block, step, other())).isEqualTo(theOther);
        var clothed = Plans.once(Plans.step("s"))
                .draping("b", DrapeMethod.CLOTHED)
                .blocks()
                .get(0);
        assertThat(named(clothed, step, Profile.bySeconds())).isEqualTo(zone == Zone.SCALP ? "none" : "clothed");
        var legs = Plans.once(Plans.step("s"))
                .draping("b", DrapeMethod.LEG_THREAD)
                .blocks()
                .get(0);
        assertThat(named(legs, step, Profile.bySeconds()))
                .isEqualTo(zone == Zone.HAMSTRINGS ? "leg-thread" : bySeconds);
    }

    /** A school that answers each question about the sheet the other way. */
    private static Profile other() {
        var p = Choices.find("leg-sheet").orElseThrow().choose(Profile.bySeconds(), "thread");
        p = Choices.find("gluteal-sheet").orElseThrow().choose(p, "by-hand");
        return Choices.find("chest-sheet").orElseThrow().choose(p, "arms-over-sheet");
    }

    private static String named(Block block, palmtally.core.sequence.Step step, Profile profile) {
        return block.drapeFor(step, profile).map(DrapeMethod::toString).orElse("none");
    }
}
