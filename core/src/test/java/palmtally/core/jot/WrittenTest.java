package palmtally.core.jot;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.InvalidValue;
import palmtally.core.body.Region;
import palmtally.core.body.Side;
import palmtally.core.sequence.ForWhom;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Step;
import palmtally.core.technique.Techniques;

class WrittenTest {
    private static Sequence written(String... lines) {
        return Written.sequence("x", "Tried", Region.LOWER_LEG, 1200, List.of(lines), Techniques.SHIPPED);
    }

    private static List<String> blocks(Sequence sequence) {
        return sequence.blocks().stream()
                .map(b -> b.name() + ", " + b.repeat() + ": "
                        + String.join(
                                " ",
                                b.steps().stream().map(s -> s.technique().id()).toList()))
                .toList();
    }

    @Test
    void opens_works_on_each_side_and_begins_anew_where_the_client_turns() {
        assertThat(blocks(written(
                        "prone, bolster under the ankles",
                        "ask about cramps",
                        "palm glide calf 4x",
                        "knead calf 1 min",
                        "other side",
                        "turn over, bolster under the knees",
                        "glide shin 4x",
                        "cover",
                        "still hands on the feet, covered")))
                .containsExactly(
                        "Open, once: still-hold still-hold",
                        "Work, prone, each-side: effleurage petrissage",
                        "Work, supine, each-side: still-hold effleurage",
                        "Close, once: still-hold still-hold");
        // Hands that rest, ask or look do so on both sides at once.
        assertThat(written("prone", "look at both calves", "knead calf").steps())
                .extracting(Step::side)
                .containsExactly(Sides.BOTH, Sides.BOTH, Sides.EACH);
    }

    @Test
    void what_is_written_for_one_leg_and_the_other_leg_same_is_worked_on_each() {
        var made = written(
                "prone, bolster under ankles",
                "palms down over the sheet, 3 slow breaths",
                "undrape the right leg, tuck the sheet",
                "palm glide ankle to hip x6, light",
                "knead calf 1 min",
                "cover leg",
                "other side same");
        assertThat(blocks(made))
                .containsExactly(
                        "Open, once: still-hold",
                        "Work, prone, each-side: breath-hold effleurage petrissage",
                        "Close, once: still-hold");
        assertThat(made.firstSide()).isEqualTo(Side.RIGHT);
        assertThat(made.steps().subList(2, 4)).extracting(Step::side).containsOnly(Sides.EACH);
        // What is uncovered is worked on the skin, whatever was worked through the sheet before.
        assertThat(made.steps().subList(1, 4))
                .extracting(Step::sheet)
                .containsExactly(Sheet.THROUGH, Sheet.OPEN, Sheet.OPEN);
        // One that stays with one leg stays so.
        assertThat(written("undrape the left leg", "knead calf 1 min").steps())
                .extracting(Step::side)
                .containsExactly(Sides.LEFT);
    }

    @Test
    void both_legs_are_looked_at_under_the_sheet() {
        var made = written("prone", "look at both legs from the foot end", "knead calf");
        assertThat(made.steps()).extracting(Step::sheet).containsExactly(Sheet.COVERED, Sheet.COVERED, Sheet.OPEN);
        assertThat(made.steps()).extracting(Step::side).containsExactly(Sides.BOTH, Sides.BOTH, Sides.EACH);
    }

    @Test
    void what_is_no_step_yet_is_kept_in_its_note_and_what_says_something_of_a_step_is_with_it() {
        var made = written("knead calf", "never over the veins", "wibble the moon", "friction on a warm stone");
        assertThat(made.note()).isEqualTo("Not read yet: wibble the moon");
        assertThat(made.steps()).extracting(Step::id).containsExactly("step-1", "step-4");
        assertThat(made.steps().get(0).details().note()).isEqualTo("never over the veins");
    }

    @Test
    void whom_it_is_for_is_read_where_a_line_says_so() {
        assertThat(written("second trimester, left side-lying, pillow under the belly", "palm glide upper back")
                        .forWhom())
                .containsExactly(ForWhom.PRENATAL_SECOND);
        assertThat(written("prenatal, third trimester, side-lying", "palm glide upper back")
                        .forWhom())
                .containsExactly(ForWhom.PRENATAL_THIRD);
        assertThat(written("clothed, face down", "palm press upper back, skip it if pregnant")
                        .forWhom())
                .containsExactly(ForWhom.CLOTHED);
        assertThat(written("ask about back pain", "palm glide upper back").forWhom())
                .isEmpty();
    }

    @Test
    void one_line_at_least_is_a_step() {
        assertThatThrownBy(() -> written("wibble the moon", "flummox"))
                .isInstanceOfSatisfying(
                        InvalidValue.class,
                        e -> assertThat(e.faults())
                                .singleElement()
                                .satisfies(f ->
                                        assertThat(f.toString()).contains("lines", "2 lines", "knead calf 1 min")));
    }
}
