package palmtally.core.sequence;

import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.core.sequence.Plans.block;
import static palmtally.core.sequence.Plans.of;
import static palmtally.core.sequence.Plans.step;

import java.util.ArrayList;
import java.util.function.IntFunction;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Zone;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Plans.Made;
import palmtally.core.technique.Tool;

/** Which stint is planned before which, by hand. */
class PlannedOrderTest {
    private static final Profile A = Profile.bySeconds();

    private static Made firm(String id) {
        return step(id).technique("fist-glide").with(Tool.LOOSE_FIST).deep(4).phase(Phase.TREAT);
    }

    /** Pairs as "aR>bR", by the step and the first letter of its side. */
    private static String told(Sequence plan, boolean safety) {
        var stints = Stint.of(plan);
        var order = PlannedOrder.of(plan, stints, A);
        IntFunction<String> name = i -> stints.get(i).step().id()
                + stints.get(i)
                        .side()
                        .toString()
                        .toUpperCase(java.util.Locale.ROOT)
                        .charAt(0);
        var all = new ArrayList<String>();
        for (int i = 0; i < stints.size(); i++)
            for (int j = 0; j < stints.size(); j++)
                if (safety ? order.safety(i, j) : order.comparable(i, j)) all.add(name.apply(i) + ">" + name.apply(j));
        return String.join(" ", all);
    }

    @Test
    void steps_of_an_ordered_block_follow_one_another_on_each_side() {
        var plan = of(
                600,
                block(
                        "b",
                        Block.Order.IN_ORDER,
                        Block.Repeat.EACH_SIDE,
                        step("a").side(Sides.EACH),
                        step("b").side(Sides.EACH)));
        assertThat(told(plan, false)).isEqualTo("aR>bR aL>bL");
        assertThat(told(plan, true)).isEmpty();
    }

    @Test
    void what_is_done_for_both_is_compared_with_either_side() {
        var plan = of(
                600,
                block("o", Block.Order.IN_ORDER, Block.Repeat.ONCE, step("o").side(Sides.BOTH)),
                block(
                        "b",
                        Block.Order.IN_ORDER,
                        Block.Repeat.EACH_SIDE,
                        step("a").side(Sides.EACH)));
        assertThat(told(plan, false)).isEqualTo("oB>aR oB>aL");
    }

    @Test
    void in_a_block_of_any_order_links_and_warm_up_alone_bind() {
        var plan = of(
                600,
                block(
                        "b",
                        Block.Order.ANY_ORDER,
                        Block.Repeat.ONCE,
                        step("a").side(Sides.RIGHT).before("c"),
                        step("x").side(Sides.RIGHT).on(Zone.LUMBAR),
                        firm("f").side(Sides.RIGHT),
                        step("c").side(Sides.RIGHT).on(Zone.LUMBAR)));
        assertThat(told(plan, false)).isEqualTo("aR>fR aR>cR");
        assertThat(told(plan, true)).isEqualTo("aR>fR");
    }

    @Test
    void blocks_follow_one_another_and_links_reach_through() {
        var plan = of(
                600,
                block(
                        "b",
                        Block.Order.ANY_ORDER,
                        Block.Repeat.ONCE,
                        step("a").side(Sides.RIGHT).before("b"),
                        step("b").side(Sides.RIGHT)),
                block("c", Block.Order.IN_ORDER, Block.Repeat.ONCE, step("c").side(Sides.RIGHT)));
        assertThat(told(plan, false)).isEqualTo("aR>bR aR>cR bR>cR");
    }

    @Test
    void only_what_warms_the_same_half_and_comes_before_firm_work_is_a_matter_of_safety() {
        var plan = of(
                600,
                block(
                        "b",
                        Block.Order.IN_ORDER,
                        Block.Repeat.ONCE,
                        step("w").side(Sides.RIGHT),
                        step("l").side(Sides.LEFT),
                        firm("f").side(Sides.RIGHT),
                        step("z").side(Sides.RIGHT)));
        assertThat(told(plan, true)).isEqualTo("wR>fR");
    }
}
