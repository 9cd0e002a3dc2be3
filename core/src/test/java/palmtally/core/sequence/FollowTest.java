package palmtally.core.sequence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.InvalidValue;
import palmtally.core.body.Position;
import palmtally.core.body.Region;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.technique.Dose;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Techniques;
import palmtally.core.technique.Tool;

/** Who follows a change of a technique, and what a library takes. */
class FollowTest {
    private static final Technique ROCKING = Techniques.standard().get("rocking");

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

    @Test
    void field_by_field_where_a_step_had_what_was_usual() {
        var after = ROCKING.usually(ROCKING.aliases(), Tool.FOREARM, 2, Dose.seconds(55), null);
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
        assertThat(steps.get(2)).isEqualTo(sequence.steps().get(2));
    }

    @Test
    void nobody_follows_a_change_of_words() {
        var after = ROCKING.usually(List.of("boat rock"), ROCKING.tool(), ROCKING.depth(), ROCKING.dose(), "Slowly.");
        var sequence = of(step("a", ROCKING.depth(), ROCKING.dose()));
        var follow = Follow.of(sequence, ROCKING, after);
        assertThat(follow.followed()).isEqualTo(sequence);
        assertThat(follow.own()).containsExactly("a");
    }

    @Test
    void a_library_keeps_names_apart_and_techniques_what_they_are() {
        var library = Techniques.standard();
        var renamed = ROCKING.usually(List.of("boat rock"), Tool.FOREARM, 2, Dose.seconds(55), null);
        assertThat(library.with(List.of(renamed)).get("rocking")).isEqualTo(renamed);
        assertThat(library.get("rocking")).isEqualTo(ROCKING);
        assertThat(QuickAdd.read("boat rock calf", library.with(List.of(renamed)), "n", null)
                        .dose())
                .isEqualTo(Dose.seconds(55));
        var clash = ROCKING.usually(List.of("Fist Glide"), ROCKING.tool(), 1, ROCKING.dose(), null);
        assertThatThrownBy(() -> library.with(List.of(clash)))
                .isInstanceOf(InvalidValue.class)
                .hasMessageContaining("Effleurage with loose fist");
        var other = new Technique(
                "rocking",
                "Rocking",
                List.of(),
                ROCKING.stroke(),
                ROCKING.tool(),
                1,
                ROCKING.dose(),
                ROCKING.effort(),
                ROCKING.strong(),
                null);
        assertThatThrownBy(() -> library.with(List.of(other))).hasMessageContaining("must stay what it is");
        assertThatThrownBy(() -> ROCKING.usually(List.of(" "), ROCKING.tool(), 6, ROCKING.dose(), null))
                .hasMessageContaining("must be 0 to 5")
                .hasMessageContaining("1 to 60 characters");
    }
}
