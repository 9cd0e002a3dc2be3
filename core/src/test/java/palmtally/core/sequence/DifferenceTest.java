package palmtally.core.sequence;

import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.EnumSet;
import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Region;
import palmtally.core.body.Side;
import palmtally.core.body.Structure;
import palmtally.core.sequence.detail.OtherHand;

class DifferenceTest {
    private final Sequence plan = once(step("a"), step("b"), step("c"), step("d"));

    @Test
    void of_the_same_is_nothing() {
        assertThat(Difference.between(plan, plan)).isEmpty();
    }

    @Test
    void names_what_is_gone_new_and_changed() {
        var other = once(step("a").seconds(90).deep(3), step("x"), step("c"), step("d"));
        assertThat(Difference.between(plan, other))
                .containsExactly(
                        "Step 2, Step b, is gone.",
                        "New step 2: Step x, 60 s.",
                        "Step 1, Step a: depth 2 → 3; dose 60 s → 90 s.");
    }

    @Test
    void of_a_move_names_only_the_step_that_moved() {
        var other = once(step("b"), step("c"), step("d"), step("a"));
        assertThat(Difference.between(plan, other)).containsExactly("Step a moved from place 1 to place 4.");
    }

    @Test
    void tells_every_field_of_a_step() {
        var before = plan.steps().get(0);
        var after = before.with(e -> {
            e.care.add(Care.HANDS_WIPED);
            e.say.add(Saying.of(SayKind.WARNS, "Now."));
            e.direction = Direction.DISTAL;
        });
        assertThat(Difference.between(plan, plan.replacing("a", s -> after)))
                .singleElement()
                .asString()
                .contains("care none → hands-wiped", "words none → warns “Now.” at 0 s", "direction none → distal");
    }

    @Test
    void tells_what_is_changed_of_the_whole_in_the_order_of_its_head() {
        var after = new Sequence(
                "plan",
                "Legs",
                Region.THIGH,
                1800,
                Side.LEFT,
                "Slowly.",
                TableHeight.LOW,
                EnumSet.of(ForWhom.PRENATAL_FIRST),
                List.of(new Block("b", "All", Block.Order.ANY_ORDER, Block.Repeat.ONCE, plan.steps())));
        assertThat(Difference.between(plan, after))
                .containsExactly(
                        "Name: Plan → Legs.",
                        "Region: Lower leg → Thigh.",
                        "Slot: 3600 s → 1800 s.",
                        "First side: right → left.",
                        "Table: none → low.",
                        "For: anybody → " + ForWhom.PRENATAL_FIRST.label() + ".",
                        "Note: none → Slowly..",
                        "Blocks: b (in-order, once) → All (any-order, once).");
    }

    @Test
    void tells_of_a_technique_that_is_another_now() {
        var changed = plan.steps().get(0).technique().with(e -> e.name = "Long glide");
        var after = plan.replacing("a", s -> s.with(e -> e.technique = changed));
        assertThat(Difference.between(plan, after)).contains("What “Long glide” is changed.");
    }

    @Test
    void tells_what_else_is_said_of_a_step_in_the_words_of_people() {
        var said = plan.replacing(
                "a",
                s -> s.with(e -> e.detail = e.detail.with(d -> {
                    d.structures = List.of(Structure.SOLEUS);
                    d.otherHand = OtherHand.RESTS;
                })));
        assertThat(Difference.between(plan, said))
                .containsExactly("Step 1, Step a: muscles and bands none → Soleus; other hand none → rests.");
        assertThat(Difference.between(said, said)).isEmpty();
    }
}
