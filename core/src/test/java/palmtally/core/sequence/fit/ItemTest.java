package palmtally.core.sequence.fit;

import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.core.sequence.Plans.step;

import org.junit.jupiter.api.Test;
import palmtally.core.sequence.Importance;
import palmtally.core.sequence.Plans.Made;
import palmtally.core.technique.Dose;

/** The doses a step may get and what each is worth, by hand: weight · (½ + ½ · (dose − least) ÷ (target − least)). */
class ItemTest {
    private static Item of(Made made) {
        return new Item(made.step());
    }

    @Test
    void seconds_go_by_fives_from_the_least_to_the_target() {
        var item = of(step("a").seconds(40).least(20).importance(Importance.SHOULD));
        assertThat(item.seconds).containsExactly(20, 25, 30, 35, 40);
        assertThat(item.value).containsExactly(1, 1.25, 1.5, 1.75, 2);
        assertThat(of(step("a").seconds(32).least(22)).seconds).containsExactly(25, 30, 32);
        assertThat(of(step("a").seconds(4).least(1)).seconds).containsExactly(4);
        assertThat(of(step("a").seconds(30)).seconds).containsExactly(15, 20, 25, 30);
    }

    @Test
    void passes_and_holds_go_one_by_one() {
        var passes = of(step("a").dose(Dose.passes(6, 10)).importance(Importance.COULD));
        assertThat(passes.seconds).containsExactly(30, 40, 50, 60);
        assertThat(passes.doses.get(0)).isEqualTo(Dose.passes(3, 10));
        assertThat(passes.value[0]).isEqualTo(0.5);
        assertThat(passes.value[3]).isEqualTo(1);
        assertThat(of(step("a").dose(Dose.holds(2, 9)).least(10)).seconds).containsExactly(18);
        assertThat(of(step("a").dose(Dose.holds(3, 9)).least(1)).seconds).containsExactly(9, 18, 27);
        assertThat(of(step("a").dose(Dose.untilSoft(20))).seconds).containsExactly(10, 15, 20);
    }

    @Test
    void a_least_that_is_the_target_counts_whole() {
        var item = of(step("a").seconds(30).least(30).importance(Importance.MUST));
        assertThat(item.seconds).containsExactly(30);
        assertThat(item.value).containsExactly(4);
        assertThat(item.must()).isTrue();
        assertThat(of(step("a").seconds(30)).must()).isFalse();
    }
}
