package palmtally.core.sequence;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Zone;
import palmtally.core.profile.Profile;
import palmtally.core.technique.Dose;
import palmtally.core.technique.DoseTable;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Techniques;
import palmtally.core.technique.Window;

/** What a dose is held to: the school's own window of the technique, else the dose table's. */
class DoseWindowTest {
    private static final Profile A = Profile.bySeconds();
    private static final Technique POINT = Techniques.SHIPPED.get("trigger-point");

    private static DoseWindow of(Technique technique, Zone zone) {
        return DoseWindow.of(technique, List.of(zone), A).orElseThrow();
    }

    @Test
    void is_the_tables_where_the_school_says_nothing() {
        assertThat(of(POINT, Zone.SHOULDER_BLADE).says())
                .isEqualTo("the dose table says 8 to 10 s a hold (no change: angle, lighter, move on)");
        assertThat(DoseWindow.of(Techniques.SHIPPED.get("effleurage"), List.of(Zone.CALF), A))
                .isEmpty();
    }

    @Test
    void is_the_schools_own_wherever_the_technique_is_done() {
        var own = POINT.with(e -> e.window = new Window(DoseTable.Per.HOLD, 20, null));
        assertThat(of(own, Zone.SHOULDER_BLADE).says())
                .isEqualTo("this school says at least 20 s a hold (no change: angle, lighter, move on)");
        assertThat(of(own, Zone.SHOULDER_BLADE).clamp(Dose.holds(3, 9))).isEqualTo(Dose.holds(3, 20));
        var glide = Techniques.SHIPPED.get("effleurage").with(e -> e.window = new Window(DoseTable.Per.PASS, 0, 12.0));
        assertThat(of(glide, Zone.CALF).says()).isEqualTo("this school says at most 12 s a pass");
    }

    /** Over the vessels of the neck nothing is longer than 10 s, whatever a school writes (TRADE 3). */
    @Test
    void never_passes_what_is_never_passed() {
        var own = POINT.with(e -> e.window = new Window(DoseTable.Per.HOLD, 20, 40.0));
        var window = of(own, Zone.STRAP_MUSCLE);
        assertThat(window.least()).isEqualTo(10);
        assertThat(window.most()).isEqualTo(10);
        assertThat(window.passesCap(Dose.holds(2, 11))).isTrue();
        assertThat(window.passesCap(Dose.holds(2, 10))).isFalse();
    }

    /** The edge press of the sacrum is for what presses it, not for a palm that waits on the breath. */
    @Test
    void is_not_that_of_the_edge_press_on_the_breath() {
        assertThat(of(Techniques.SHIPPED.get("sacral-press"), Zone.SACRUM).most())
                .isEqualTo(10);
        assertThat(DoseWindow.of(Techniques.SHIPPED.get("breath-hold"), List.of(Zone.SACRUM), A))
                .isEmpty();
    }
}
