package palmtally.core.sequence.check;

import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.Arrays;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Zone;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Step;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Techniques;

/** Which of the techniques that ship, and of the zones, prepare which others, and which follow (common practice, no source). */
class PreparedTest {
    private static final Plan NONE = new Plan(once(step("a")), Profile.bySeconds(), List.of());

    private static final String MOVING =
            "effleurage fist-glide forearm-glide shoulder-loop ringing raking feather petrissage wringing"
                    + " broadening lifting fulling push-pull pulling sawing compression interlaced-squeeze";

    private static Step as(Technique technique, Zone zone, int depth, Phase phase) {
        return step(technique.id())
                .on(zone)
                .technique(technique.id())
                .with(technique.tool())
                .deep(depth)
                .phase(phase)
                .step();
    }

    private static String techniques(int depth, Phase phase, Predicate<Step> has) {
        return Techniques.SHIPPED.all().stream()
                .filter(t -> has.test(as(t, Zone.CALF, depth, phase)))
                .map(Technique::id)
                .collect(Collectors.joining(" "));
    }

    private static String zones(Predicate<Step> has) {
        var glide = Techniques.SHIPPED.find("effleurage").orElseThrow();
        return Arrays.stream(Zone.values())
                .filter(z -> has.test(as(glide, z, 1, Phase.TREAT)))
                .map(Zone::toString)
                .collect(Collectors.joining(" "));
    }

    @Test
    void what_works_a_muscle_deep_enough_prepares_its_joint() {
        var rule = new MuscleBeforeJoint();
        assertThat(techniques(2, Phase.TREAT, rule::first))
                .isEqualTo(MOVING
                        + " static-press breath-hold hooking sacral-press ear-suction rocking shaking stripping-fingers"
                        + " stripping-thumb peeling circular-friction cross-fibre trigger-point");
        assertThat(techniques(1, Phase.TREAT, rule::first)).isEmpty();
        assertThat(techniques(1, Phase.TREAT, rule::then))
                .isEqualTo("range-of-motion range-of-motion-active range-of-motion-resisted joint-glide");
        assertThat(techniques(1, Phase.ASSESS, rule::then)).isEqualTo("joint-glide");
    }

    @Test
    void what_lengthens_restores_what_a_point_or_heat_let_go() {
        var point = new LengthenAfterPoint();
        assertThat(techniques(3, Phase.TREAT, point::cause)).isEqualTo("trigger-point");
        assertThat(techniques(3, Phase.TREAT, s -> point.after(s, NONE)))
                .isEqualTo("pin-lengthen pin-lengthen-passive contract-relax stretch");
        assertThat(techniques(3, Phase.LENGTHEN, s -> point.after(s, NONE))).startsWith("still-hold effleurage");
        var heat = new StretchAfterHeat();
        assertThat(techniques(1, Phase.TREAT, heat::cause)).isEqualTo("heat");
        assertThat(techniques(3, Phase.TREAT, s -> heat.after(s, NONE)))
                .isEqualTo("pin-lengthen pin-lengthen-passive contract-relax stretch");
        assertThat(techniques(3, Phase.LENGTHEN, s -> heat.after(s, NONE))).startsWith("still-hold effleurage");
    }

    @Test
    void light_moving_hands_flush_what_heat_brought_in() {
        var rule = new FlushAfterHeat();
        assertThat(techniques(1, Phase.TREAT, rule::cause)).isEqualTo("heat");
        assertThat(techniques(2, Phase.TREAT, s -> rule.after(s, NONE))).isEqualTo(MOVING + " rocking shaking");
        assertThat(techniques(4, Phase.TREAT, s -> rule.after(s, NONE))).isEmpty();
    }

    @Test
    void cold_quiets_friction_and_a_pull_opens_a_joint() {
        var friction = new AfterFriction();
        assertThat(techniques(3, Phase.TREAT, friction::cause)).isEqualTo("cross-fibre");
        assertThat(techniques(1, Phase.TREAT, s -> friction.after(s, NONE))).isEqualTo("cold-pack cold ice");
        var pull = new DistractionBeforeGlide();
        assertThat(techniques(1, Phase.TREAT, pull::first)).isEqualTo("traction");
        assertThat(techniques(1, Phase.TREAT, pull::then)).isEqualTo("joint-glide");
    }

    @Test
    void neighbours_come_before_what_is_delicate() {
        assertThat(zones(new BackBeforeFrontOfNeck()::first)).isEqualTo("base-of-skull neck-back top-of-shoulder");
        assertThat(zones(new BackBeforeFrontOfNeck()::then)).isEqualTo("neck-side strap-muscle throat");
        assertThat(zones(new NeckBeforeJaw()::first))
                .isEqualTo("base-of-skull neck-back neck-side strap-muscle throat");
        assertThat(zones(new NeckBeforeJaw()::then)).isEqualTo("below-ear jaw-muscles inside-mouth");
        assertThat(zones(new ThighBeforeGluteal()::first))
                .isEqualTo("groin hamstrings thigh-front thigh-outer thigh-inner");
        assertThat(zones(new ThighBeforeGluteal()::then)).isEqualTo("gluteals hip-rotators");
    }
}
