package palmtally.core.sequence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import palmtally.core.InvalidValue;
import palmtally.core.body.Region;
import palmtally.core.body.Side;
import palmtally.core.profile.Band;
import palmtally.core.profile.Profile;
import palmtally.core.technique.Dose;
import palmtally.core.technique.Technique;

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

    @Test
    void what_is_done_on_each_side_is_put_onto_one_and_the_rest_stays() {
        var plan = once(step("a").side(Sides.EACH), step("b").side(Sides.LEFT));
        assertThat(plan.onto(Sides.EACH)).isSameAs(plan);
        assertThat(plan.onto(Sides.RIGHT).steps())
                .extracting(s -> s.id() + " " + s.side())
                .containsExactly("a right", "b left");
    }

    @Test
    void a_block_gets_the_first_number_that_is_free() {
        var plan = Plans.of(
                600,
                Plans.block("b-1", Block.Order.IN_ORDER, Block.Repeat.ONCE, step("a")),
                Plans.block("b-2", Block.Order.IN_ORDER, Block.Repeat.ONCE, step("b")));
        assertThat(plan.freshBlockId("b")).isEqualTo("b-3");
        assertThat(plan.freshBlockId("close")).isEqualTo("close-1");
    }

    @Test
    void a_step_is_felt_within_its_own_band_else_in_that_of_its_phase() {
        var pressure = Profile.bySeconds().pressure();
        assertThat(step("a").band(2, 5).step().bandUnder(Profile.bySeconds())).isEqualTo(new Band(2, 5));
        assertThat(step("a").phase(Phase.WARM).step().bandUnder(Profile.bySeconds()))
                .isEqualTo(pressure.warmBand());
        assertThat(step("a").phase(Phase.TREAT).step().bandUnder(Profile.bySeconds()))
                .isEqualTo(pressure.specificBand())
                .isNotEqualTo(pressure.warmBand());
    }

    @Test
    void a_step_is_shown_for_its_own_time_in_class_else_whole() {
        assertThat(step("a").seconds(90).step().shownInClass()).isEqualTo(90);
        assertThat(step("a").seconds(90).inClass(20).step().shownInClass()).isEqualTo(20);
    }

    @ParameterizedTest
    @EnumSource(Technique.Effort.class)
    void the_client_moves_in_effort_of_their_own_alone(Technique.Effort effort) {
        assertThat(step("a").effort(effort).step().clientMoves())
                .isEqualTo(effort == Technique.Effort.ACTIVE || effort == Technique.Effort.RESISTED);
    }
}
