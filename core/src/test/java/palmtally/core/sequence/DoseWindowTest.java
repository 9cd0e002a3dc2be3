package palmtally.core.sequence;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Zone;
import palmtally.core.profile.Choices;
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

    @Test
    void a_hold_around_the_plans_is_credited_whole_half_or_not() {
        var window = DoseWindow.around(20, 0.25);
        assertThat(window.says()).isEqualTo("the plan says 15 to 25 s a hold");
        assertThat(List.of(15.0, 25.0, 20.0)).allMatch(s -> window.credit(s) == 1);
        // A quarter of the nearer bound: 11.25 and 31.25 s.
        assertThat(List.of(11.25, 14.9, 25.1, 31.25)).allMatch(s -> window.credit(s) == 0.5);
        assertThat(List.of(11.2, 31.3, 0.0)).allMatch(s -> window.credit(s) == 0);
    }

    @Test
    void a_dose_is_moved_into_its_window_in_its_own_units() {
        var whole =
                Techniques.SHIPPED.get("petrissage").with(e -> e.window = new Window(DoseTable.Per.WHOLE, 30, 64.0));
        var window = of(whole, Zone.CALF);
        assertThat(window.clamp(Dose.seconds(30))).isEqualTo(Dose.seconds(30));
        assertThat(window.clamp(Dose.seconds(64))).isEqualTo(Dose.seconds(64));
        assertThat(window.clamp(Dose.seconds(10))).isEqualTo(Dose.seconds(30));
        assertThat(window.clamp(Dose.seconds(90))).isEqualTo(Dose.seconds(64));
        // Passes of 15 s: five are 75 s, and four are as many as fit.
        assertThat(window.clamp(Dose.passes(8, 15))).isEqualTo(Dose.passes(4, 15));
        assertThat(window.clamp(Dose.passes(1, 15))).isEqualTo(Dose.passes(2, 15));
        // One pass alone is too long: plain seconds.
        assertThat(window.clamp(Dose.passes(2, 90))).isEqualTo(Dose.seconds(64));
        assertThat(window.measure(Dose.passes(3, 15))).isEqualTo(45);
        var holds = DoseWindow.around(20, 0.25);
        assertThat(holds.measure(Dose.holds(3, 15))).isEqualTo(15);
        assertThat(holds.measure(Dose.passes(3, 15))).isEqualTo(15);
        assertThat(holds.measure(Dose.seconds(40))).isEqualTo(40);
        assertThat(holds.clamp(Dose.passes(3, 40))).isEqualTo(Dose.passes(3, 25));
    }

    /** Points by breaths: one to six breaths a hold of ten seconds each; until it softens: up to the school's cap (common practice). */
    @Test
    void a_point_ends_as_the_school_ends_holds() {
        var soft = DoseWindow.of(POINT, List.of(Zone.SHOULDER_BLADE), Profile.byResponse())
                .orElseThrow();
        assertThat(soft.says()).startsWith("the dose table says at most 90 s a hold");
        assertThat(soft.passesCap(Dose.untilSoft(90))).isFalse();
        assertThat(soft.passesCap(Dose.untilSoft(91))).isTrue();
        assertThat(soft.breaths()).isFalse();
        var breaths = DoseWindow.of(
                        POINT,
                        List.of(Zone.SHOULDER_BLADE),
                        Choices.find("hold-end").orElseThrow().choose(A, "by-breaths"))
                .orElseThrow();
        assertThat(breaths.breaths()).isTrue();
        assertThat(breaths.least()).isEqualTo(Dose.SECONDS_A_BREATH);
        assertThat(breaths.most()).isEqualTo(6 * Dose.SECONDS_A_BREATH);
    }
}
