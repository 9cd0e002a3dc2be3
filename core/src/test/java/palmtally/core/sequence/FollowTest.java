package palmtally.core.sequence;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Position;
import palmtally.core.body.Region;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.technique.Dose;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Techniques;
import palmtally.core.technique.Tool;

/** Who follows a change of a technique. */
class FollowTest {
    private static final Technique ROCKING = Techniques.SHIPPED.get("rocking");

    private static Step step(String id, int depth, Dose dose) {
        return StepEdit.of(id, ROCKING, List.of(Zone.CALF)).step().with(e -> {
            e.depth = depth;
            e.dose = dose;
            e.position = Position.PRONE;
        });
    }

    private static Sequence of(Step... steps) {
        return new Sequence(
                "s",
                "S",
                Region.LOWER_LEG,
                600,
                Side.LEFT,
                "",
                null,
                List.of(new Block("b", "B", Block.Order.IN_ORDER, Block.Repeat.ONCE, List.of(steps))));
    }

    private static Technique changed() {
        return ROCKING.with(e -> {
            e.tool = Tool.FOREARM;
            e.depth = 2;
            e.dose = Dose.seconds(55);
        });
    }

    @Test
    void field_by_field_where_a_step_had_what_was_usual() {
        var after = changed();
        var sequence = of(
                step("all", ROCKING.depth(), ROCKING.dose()),
                step("own-dose", ROCKING.depth(), Dose.seconds(20)),
                step("own", 3, Dose.seconds(20)).with(e -> e.tool = Tool.LOOSE_FIST));
        var follow = Follow.of(sequence, ROCKING, after);
        assertThat(follow.steps()).containsExactly("all", "own-dose");
        assertThat(follow.own()).containsExactly("own");
        var steps = follow.followed().steps();
        assertThat(steps.get(0).dose()).isEqualTo(Dose.seconds(55));
        assertThat(steps.get(0).tool()).isEqualTo(Tool.FOREARM);
        assertThat(steps.get(1).dose()).isEqualTo(Dose.seconds(20));
        assertThat(steps.get(1).depth()).isEqualTo(2);
        assertThat(steps.get(2)).isEqualTo(sequence.steps().get(2).with(e -> e.technique = after));
        assertThat(follow.followed().techniques()).containsExactly(after);
    }

    @Test
    void a_second_side_with_the_usual_dose_follows_with_the_first() {
        var sequence = of(step("a", 1, ROCKING.dose()).with(e -> e.secondSide = ROCKING.dose()));
        var step = Follow.of(sequence, ROCKING, changed()).followed().steps().get(0);
        assertThat(step.secondSide()).isEqualTo(Dose.seconds(55));
    }

    @Test
    void a_hand_of_the_schools_own_word_is_left_alone() {
        var sequence = of(step("a", 3, Dose.seconds(20)).with(e -> e.hand = "river stone"));
        var follow = Follow.of(sequence, ROCKING, changed());
        assertThat(follow.own()).containsExactly("a");
        assertThat(follow.followed().steps().get(0).handWords()).isEqualTo("river stone");
    }

    @Test
    void a_change_of_words_changes_no_step_but_what_is_said_of_it() {
        var after = ROCKING.with(e -> e.caution = "Slowly.");
        var sequence = of(step("a", ROCKING.depth(), ROCKING.dose()), step("b", 2, Dose.seconds(20)));
        var follow = Follow.of(sequence, ROCKING, after);
        assertThat(follow.steps()).containsExactly("a", "b");
        assertThat(follow.followed().steps()).extracting(Step::dose).containsExactly(ROCKING.dose(), Dose.seconds(20));
        assertThat(follow.followed().steps())
                .allSatisfy(s -> assertThat(s.technique()).isEqualTo(after));
    }

    @Test
    void an_id_means_one_technique_throughout_a_sequence() {
        var sequence = of(
                step("a", 1, Dose.seconds(20)), step("b", 1, Dose.seconds(20)).with(e -> e.technique = changed()));
        assertThat(sequence.techniques()).containsExactly(ROCKING);
        assertThat(sequence.steps()).extracting(Step::technique).containsOnly(ROCKING);
    }
}
