package palmtally.core.sequence.check;

import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Zone;
import palmtally.core.profile.Choices;
import palmtally.core.sequence.Plans;
import palmtally.core.technique.Dose;

class DoseInWindowTest extends CheckTest {
    DoseInWindowTest() {
        super(DoseInWindow.RULE, "warn pressure");
    }

    @Override
    protected List<Case> cases() {
        return List.of(
                of(
                                "10 s of stretch",
                                eachSide(stretch("s").seconds(10)),
                                eachSide(stretch("s").seconds(30)))
                        .says("Step 1 gives 10 s; the dose table says at least 30 s (passive, supported).")
                        .mends("Set to 30 s: Step 1, Step s: dose 10 s → 30 s."),
                of(
                                "seconds, where breaths count",
                                eachSide(thigh("w"), point("p")),
                                eachSide(thigh("w"), point("p").dose(Dose.breaths(3))))
                        .says(
                                "Step 2 is measured in holds; this school counts the client's breaths, because they slow the hand down.")
                        .mends("Set to 3 breaths: Step 2, Step p: dose 3 holds × 9 s → 3 breaths.")
                        .under(p -> Choices.find("hold-end").orElseThrow().choose(p, "by-breaths")));
    }

    /** Minutes are for kneading and stripping the jaw muscles, not for a pull or a glide of its joint. */
    @Test
    void a_pull_on_the_jaw_is_not_dosed_like_kneading_its_muscles() {
        silent(eachSide(jaw("t").technique("traction").dose(Dose.holds(3, 8))));
        silent(eachSide(jaw("m").technique("range-of-motion").seconds(30)));
        silent(eachSide(jaw("g").technique("joint-glide").dose(Dose.holds(3, 9))));
    }

    @Test
    void a_joint_glide_is_held_three_times_at_most() {
        var found = Plans.findings(
                eachSide(step("g").technique("joint-glide").on(Zone.WRIST).dose(Dose.holds(6, 9))), A, rule);
        assertThat(found)
                .singleElement()
                .satisfies(f -> assertThat(f.sentence()).contains("6 holds"));
        silent(eachSide(step("g").technique("joint-glide").on(Zone.WRIST).dose(Dose.holds(3, 9))));
    }
}
