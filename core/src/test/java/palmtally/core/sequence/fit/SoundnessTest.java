package palmtally.core.sequence.fit;

import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.BitSet;
import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Zone;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Plans.Made;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Timeline;
import palmtally.core.sequence.check.WarmUp;
import palmtally.core.technique.Tool;

/** Why a fitted plan is refused, and which steps are looked at first for it. */
class SoundnessTest {
    private static final Profile A = Profile.bySeconds();

    private static Made firm(String id) {
        return step(id).technique("fist-glide")
                .on(Zone.HAMSTRINGS)
                .with(Tool.LOOSE_FIST)
                .deep(4)
                .phase(Phase.TREAT)
                .say(SayKind.PRESSURE_QUESTION, 5);
    }

    /** Calf, warm-up of the thigh, firm work there, and the calf once more. */
    private static final Sequence PLAN =
            once(step("calf"), step("warm").on(Zone.HAMSTRINGS), firm("firm"), step("again"));

    private static Soundness of(Sequence plan) {
        return new Soundness(plan, A, plan.steps().stream().map(Item::new).toList());
    }

    private static Sequence without(String id) {
        return PLAN.withBlocks(PLAN.blocks().stream()
                .map(b -> b.withSteps(
                        b.steps().stream().filter(s -> !s.id().equals(id)).toList()))
                .toList());
    }

    @Test
    void a_plan_as_sound_as_before_is_not_refused() {
        assertThat(of(PLAN).refusal(PLAN, new int[] {1, 1, 1, 1}, 3600)).isNull();
        assertThat(of(PLAN).refusal(without("calf"), new int[] {0, 1, 1, 1}, 3600))
                .isNull();
    }

    @Test
    void of_a_stop_that_is_new_what_was_dropped_there_comes_first_then_the_step_itself_then_what_is_elsewhere() {
        // The thigh is cold: its warm-up, 1, was dropped; the calf's first, 0, was dropped as well.
        assertThat(of(PLAN).refusal(without("warm"), new int[] {1, 0, 1, 1}, 3600))
                .containsExactly(1, 2, 0, 3);
        assertThat(of(PLAN).refusal(without("warm"), new int[] {1, 0, 1, 0}, 3600))
                .containsExactly(1, 2, 3, 0);
    }

    @Test
    void of_a_plan_that_is_empty_or_too_long_what_was_dropped_comes_first() {
        assertThat(of(PLAN).refusal(PLAN, new int[] {0, 0, 0, 0}, 3600)).containsExactly(0, 1, 2, 3);
        assertThat(of(PLAN).refusal(PLAN, new int[] {1, 1, 0, 1}, 60)).containsExactly(2, 0, 1, 3);
    }

    @Test
    void a_slot_is_kept_to_the_microsecond() {
        double takes = Timeline.of(PLAN, A).totalSeconds();
        var all = new int[] {1, 1, 1, 1};
        assertThat(of(PLAN).refusal(PLAN, all, takes)).isNull();
        assertThat(of(PLAN).refusal(PLAN, all, takes - 1e-5)).isNotNull();
    }

    @Test
    void what_was_broken_before_is_known_by_its_rule_and_its_step() {
        var cold = of(without("warm"));
        assertThat(cold.broken(WarmUp.RULE)).isTrue();
        assertThat(of(PLAN).broken(WarmUp.RULE)).isFalse();
        assertThat(cold.cold(bits(1))).isTrue();
        assertThat(cold.cold(bits(0, 2))).isFalse();
        assertThat(of(PLAN).cold(bits(0, 1, 2, 3))).isFalse();
    }

    @Test
    void what_is_new_is_counted_by_rule() {
        var now = Soundness.grave(without("warm"), A);
        var before = Soundness.grave(PLAN, A);
        assertThat(Soundness.added(now, before)).containsExactly(WarmUp.RULE);
        assertThat(Soundness.added(before, now)).isEmpty();
        assertThat(Soundness.added(List.of(), List.of())).isEmpty();
    }

    private static BitSet bits(int... set) {
        var bits = new BitSet();
        for (int i : set) bits.set(i);
        return bits;
    }
}
