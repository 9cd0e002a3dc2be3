package palmtally.core.sequence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import palmtally.core.InvalidValue;
import palmtally.core.body.Position;
import palmtally.core.body.Region;
import palmtally.core.body.Zone;
import palmtally.core.technique.Techniques;
import palmtally.core.technique.Tool;

/** What a step is, as the rules ask it. */
class StepTest {
    @ParameterizedTest
    @CsvSource({
        "effleurage, PALM, 0, false",
        "effleurage, PALM, 1, true",
        "effleurage, PALM, 3, true",
        "effleurage, PALM, 4, false",
        "effleurage, ELBOW, 2, false",
        "cross-fibre, PALM, 2, false"
    })
    void calms_what_is_broad_and_below_firm(String technique, Tool tool, int depth, boolean calms) {
        assertThat(step("s").technique(technique).with(tool).deep(depth).step().calms(4))
                .isEqualTo(calms);
    }

    @ParameterizedTest
    @CsvSource({"pin-lengthen, true", "stretch, true", "range-of-motion, true", "effleurage, false", "traction, false"})
    void lengthens_by_whoever_moves(String technique, boolean lengthens) {
        assertThat(step("s").technique(technique).step().lengthens()).isEqualTo(lengthens);
    }

    @Test
    void works_where_the_hands_are() {
        var calf = step("s").on(Zone.CALF).step();
        assertThat(calf.works(Set.of(Zone.CALF, Zone.SHIN))).isTrue();
        assertThat(calf.works(Set.of(Zone.SHIN))).isFalse();
        assertThat(calf.works(Region.LOWER_LEG)).isTrue();
        assertThat(calf.works(Region.THIGH)).isFalse();
        var over = step("s").on(Zone.CALF).deep(0).step();
        assertThat(over.works(Set.of(Zone.CALF))).isFalse();
        assertThat(over.works(Region.LOWER_LEG)).isFalse();
    }

    @Test
    void is_draped_where_a_sheet_lies() {
        assertThat(step("s").on(Zone.CALF).step().draped()).isTrue();
        assertThat(step("s").on(Zone.SCALP).step().draped()).isFalse();
        assertThat(step("s").on(Zone.SCALP, Zone.CALF).step().draped()).isTrue();
    }

    @Test
    void least_seconds_are_above_0_and_at_most_an_hour() {
        assertThat(step("s").least(3600).step().minimum()).isEqualTo(3600);
        for (double wrong : new double[] {0, -1, 3600.1, Double.NaN})
            assertThatThrownBy(() -> step("s").least(wrong).step())
                    .isInstanceOf(InvalidValue.class)
                    .hasMessageContaining("must be above 0 and at most 3600");
    }

    /** Common practice, no source: behind the head of who lies on the back, at the foot end for the feet, a lunge for what travels. */
    @ParameterizedTest
    @CsvSource({
        "effleurage, NECK_BACK, SUPINE, HEAD, SEATED",
        "effleurage, NECK_BACK, SEMI_RECLINED, HEAD, SEATED",
        "effleurage, NECK_BACK, PRONE, SAME_SIDE, LUNGE",
        "petrissage, SOLE, SUPINE, FOOT, HORSE",
        "effleurage, SOLE, PRONE, FOOT, LUNGE",
        "petrissage, CALF, PRONE, SAME_SIDE, HORSE",
        "stripping-thumb, CALF, PRONE, SAME_SIDE, LUNGE"
    })
    void place_and_stance_go_with_the_work(String technique, Zone zone, Position lying, Stands stands, Stance stance) {
        var made = StepEdit.of("s", Techniques.SHIPPED.get(technique), List.of(zone));
        made.position = lying;
        made.stands = Stands.ACROSS;
        made.stance = Stance.ONE_KNEE;
        made.usual();
        assertThat(made.stands + " " + made.stance).isEqualTo(stands + " " + stance);
        made.zones = List.of(zone, Zone.LUMBAR);
        made.usual();
        assertThat(made.stands).isEqualTo(Stands.SAME_SIDE);
        made.zones = List.of();
        made.usual();
        assertThat(made.stands).isEqualTo(Stands.SAME_SIDE);
    }

    @Test
    void a_new_step_stands_as_it_is_usual() {
        assertThat(StepEdit.of("s", Techniques.SHIPPED.get("effleurage"), List.of(Zone.SOLE)).stands)
                .isEqualTo(Stands.FOOT);
        assertThat(StepEdit.of("s", Techniques.SHIPPED.get("effleurage"), List.of()).position)
                .isEqualTo(Position.PRONE);
        assertThat(Importance.MUST).hasToString("must");
    }

    /** Only these keep silence from growing. */
    @ParameterizedTest
    @EnumSource(SayKind.class)
    void who_asks_is_no_longer_silent(SayKind kind) {
        assertThat(Saying.of(kind, "…").asks())
                .isEqualTo(Set.of(SayKind.PRESSURE_QUESTION, SayKind.CHOICE, SayKind.INTERVIEW)
                        .contains(kind));
    }

    @Test
    void a_fresh_id_is_the_first_that_no_step_has() {
        assertThat(once(step("s-1"), step("s-2"), step("s-4")).freshId("s")).isEqualTo("s-3");
    }

    @Test
    void a_technique_is_called_as_a_step_has_it_else_as_it_ships_else_by_its_id() {
        var plan = once(step("s").technique("effleurage"));
        assertThat(plan.techniqueName("effleurage"))
                .isEqualTo(plan.steps().get(0).technique().name());
        assertThat(plan.techniqueName("petrissage")).isEqualTo("Petrissage (kneading)");
        assertThat(plan.techniqueName("own-thing")).isEqualTo("own-thing");
        assertThat(plan.technique("own-thing")).isEmpty();
    }

    /** A block that is left without a step goes. */
    @Test
    void a_block_without_a_step_goes() {
        var plan = Plans.of(
                3600,
                Plans.block("a", Block.Order.IN_ORDER, Block.Repeat.ONCE, step("1")),
                Plans.block(
                        "b",
                        Block.Order.IN_ORDER,
                        Block.Repeat.ONCE,
                        step("2"),
                        step("3").before("1")));
        assertThat(plan.without(Set.of("1")).blocks()).extracting(Block::id).containsExactly("b");
        assertThat(plan.without(Set.of("1")).step("3").orElseThrow().before()).isEmpty();
        var moved = plan.moving("1", "3", 1);
        assertThat(moved.blocks()).extracting(Block::id).containsExactly("b");
        assertThat(moved.steps()).extracting(Step::id).isEqualTo(List.of("2", "3", "1"));
    }
}
