package palmtally.core.sequence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import palmtally.core.InvalidValue;
import palmtally.core.body.Region;
import palmtally.core.body.Side;
import palmtally.core.technique.Dose;

/** What cannot be meant is refused with the field, the value and the reason, all faults at once. */
class SequenceTest {
    private static List<InvalidValue.Fault> faults(org.assertj.core.api.ThrowableAssert.ThrowingCallable made) {
        var thrown = org.assertj.core.api.Assertions.catchThrowableOfType(InvalidValue.class, made);
        assertThat(thrown).isNotNull();
        return thrown.faults();
    }

    @Test
    void a_cycle_of_before_links_is_named_step_by_step() {
        assertThat(faults(() -> once(
                        step("a").before("b"), step("b").before("c"), step("c").before("a"))))
                .singleElement()
                .satisfies(f -> {
                    assertThat(f.field()).isEqualTo("blocks/0/steps/0/before");
                    assertThat(f.value()).isEqualTo("a → b → c → a");
                });
    }

    @Test
    void a_long_chain_of_before_links_is_no_cycle() {
        var steps = new ArrayList<Plans.Made>();
        for (int i = 0; i < 400; i++)
            steps.add(i == 399 ? step("s" + i) : step("s" + i).before("s" + (i + 1)));
        assertThat(once(steps.toArray(Plans.Made[]::new)).steps()).hasSize(400);
    }

    @Test
    void a_link_to_nowhere_and_an_id_used_twice_come_together() {
        assertThat(faults(() -> once(step("a").before("z"), step("a"))))
                .extracting(InvalidValue.Fault::field)
                .containsExactly("blocks/0/steps/1/id", "blocks/0/steps/0/before/0");
    }

    @Test
    void five_thousand_steps_are_too_many() {
        var steps = new Plans.Made[5000];
        for (int i = 0; i < steps.length; i++) steps[i] = step("s" + i);
        assertThat(faults(() -> once(steps)))
                .singleElement()
                .satisfies(f -> assertThat(f.reason()).contains("at most 500").contains("Maybe split it"));
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, -1, Double.NaN, Double.POSITIVE_INFINITY, 14401})
    void a_slot_must_be_a_real_time(double slot) {
        assertThatThrownBy(() -> Plans.of(slot, Plans.block("b", Block.Order.IN_ORDER, Block.Repeat.ONCE, step("a"))))
                .isInstanceOf(InvalidValue.class)
                .hasMessageContaining("slotSeconds");
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, -5, Double.NaN, 3601})
    void a_dose_must_be_a_real_time(double seconds) {
        assertThatThrownBy(() -> Dose.seconds(seconds))
                .isInstanceOf(InvalidValue.class)
                .hasMessageContaining("must be above 0 and at most 3600");
    }

    @Test
    void a_step_tells_all_its_faults_at_once() {
        assertThat(faults(() -> step("a").on().deep(6).least(-1).before("a").step()))
                .extracting(InvalidValue.Fault::field)
                .containsExactly("zones", "depth", "minimumSeconds", "before");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"Anna Ångström", "Ωμέγα", "ليلى", "אורה", "花子", "Любовь", "हिमा", "👋🏽 Ola", "<b>no mark-up</b>"
            })
    void a_name_may_be_written_in_every_script(String name) {
        var plan = new Sequence(
                "p",
                name,
                Region.FOOT,
                600,
                Side.LEFT,
                name,
                null,
                once(step("a")).blocks());
        assertThat(plan.name()).isEqualTo(name);
    }

    @Test
    void an_edit_leaves_the_sequence_it_was_made_from_alone() {
        var plan = once(step("a"), step("b"));
        var edited = plan.inserting("b", step("x").step(), 0);
        assertThat(plan.steps()).extracting(Step::id).containsExactly("a", "b");
        assertThat(edited.steps()).extracting(Step::id).containsExactly("a", "x", "b");
        assertThat(edited.freshId("x")).isEqualTo("x-1");
    }
}
