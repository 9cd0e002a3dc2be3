package palmtally.core.practical;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static palmtally.core.sequence.Plans.block;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import palmtally.core.body.DrapeUnit;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.practical.event.RateTap;
import palmtally.core.practical.event.Report;
import palmtally.core.practical.event.ReviewAnswer.Said;
import palmtally.core.practical.event.SheetChange;
import palmtally.core.practical.event.SheetChange.Drape;
import palmtally.core.practical.event.StepSkip;
import palmtally.core.sequence.Block;
import palmtally.core.sequence.Plans;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sides;
import palmtally.core.technique.Dose;

/** Runs that are unlike most, and what becomes of them. */
class OddRunsTest {
    private static Sequence both(Zone last) {
        return Plans.of(
                600,
                block(
                        "b",
                        Block.Order.IN_ORDER,
                        Block.Repeat.EACH_SIDE,
                        step("0").on(Zone.CALF).side(Sides.EACH).seconds(30),
                        step("1").on(Zone.CALF).side(Sides.EACH).seconds(30),
                        step("2").on(Zone.CALF).side(Sides.EACH).seconds(30)),
                block(
                        "m",
                        Block.Order.IN_ORDER,
                        Block.Repeat.ONCE,
                        step("m").on(last).side(Sides.MIDLINE).seconds(30)));
    }

    /** Of one side there is no second to begin again, whichever it is. */
    @ParameterizedTest
    @CsvSource({"LEFT", "RIGHT"})
    void of_one_side_asked_there_is_no_second(Side side) {
        var seen = Seen.of(both(Zone.BELLY)).sides(side == Side.LEFT ? Sides.LEFT : Sides.RIGHT);
        for (int i = 0; i < 3; i++) seen.at(30 * i).starts(String.valueOf(i), side);
        seen.at(90).starts("m", Side.MIDLINE).at(120).finish();
        assertThat(seen.score(Criterion.ORDER)).isEqualTo(100);
        assertThat(seen.part(Criterion.ORDER, "second side restarts gently")).isNull();
    }

    /** What lies on no side takes no time of one. */
    @Test
    void a_step_of_no_side_takes_no_time_of_one() {
        var seen = Seen.of(both(Zone.BELLY));
        int at = 0;
        for (var side : new Side[] {Side.LEFT, Side.RIGHT})
            for (int i = 0; i < 3; i++) seen.at(30 * at++).starts(String.valueOf(i), side);
        seen.at(180).starts("m", Side.MIDLINE).at(210).finish();
        assertThat(seen.part(Criterion.ORDER, "time of the sides")).isEqualTo(1);
        assertThat(seen.score(Criterion.ORDER)).isEqualTo(100);
    }

    /** A step that the grader says is skipped is left out though nobody watched its place, with its side or without. */
    @ParameterizedTest
    @CsvSource({"RIGHT", ","})
    void what_was_skipped_is_known_to_be_left_out(Side side) {
        var seen = Seen.of(both(Zone.BELLY)).sides(Sides.RIGHT).at(0).starts("0", Side.RIGHT);
        seen.at(20).eyes(false).at(25).tap(new StepSkip("1", side, null)).at(90).eyes(true);
        seen.at(91)
                .starts("2", Side.RIGHT)
                .at(121)
                .starts("m", Side.MIDLINE)
                .at(151)
                .finish();
        assertThat(seen.scored(Criterion.ORDER).questions()).isEmpty();
        assertThat(seen.part(Criterion.ORDER, "done in its place")).isCloseTo(0.75, within(1e-9));
    }

    /** Cold that is laid anew ends what lay there; both are of the step. */
    @Test
    void cold_laid_anew_is_laid_twice() {
        var plan = once(
                step("cold").technique("cold").on(Zone.CALF).deep(1).seconds(60),
                step("a").on(Zone.HAMSTRINGS).seconds(60));
        var seen = Seen.of(plan)
                .sides(Sides.RIGHT)
                .at(0)
                .starts("cold", Side.RIGHT)
                .at(10)
                .starts("a", Side.RIGHT);
        var run =
                seen.at(40).starts("cold", Side.RIGHT).at(70).finish().scores().run();
        assertThat(run.done())
                .extracting(d -> d.step().id() + " " + d.start() / 1000 + "–" + d.end() / 1000)
                .containsExactlyInAnyOrder("cold 0–40", "a 10–40", "cold 40–70");
    }

    /** A run that nobody finished ends with what was seen last, however late its questions are answered. */
    @Test
    void answers_at_the_review_are_no_part_of_a_run_that_nobody_finished() {
        var seen = Seen.of(both(Zone.BELLY))
                .sides(Sides.RIGHT)
                .at(0)
                .starts("0", Side.RIGHT)
                .at(50)
                .report(3);
        var run = seen.reviewed("heard/closing", Said.HEARD_NOTHING).scores().run();
        assertThat(run.end()).isEqualTo(50_000);
        assertThat(run.reviewed("heard/closing")).contains(Said.HEARD_NOTHING);
    }

    /** A number over the band wants a word, whether or not it was asked for; one that nobody asked for only where somebody watched. */
    @ParameterizedTest
    @CsvSource({"9, true, 1", "9, false, 0", "2, true, 0"})
    void a_number_over_the_band_is_a_chance_to_speak(int number, boolean watched, int more) {
        assertThat(chances(number, watched) - chances(null, watched)).isEqualTo(more);
    }

    private static int chances(Integer number, boolean watched) {
        var seen = Seen.of(both(Zone.BELLY))
                .sides(Sides.RIGHT)
                .at(1)
                .starts("0", Side.RIGHT)
                .at(5)
                .asks();
        if (!watched) seen.at(10).eyes(false);
        if (number != null) seen.at(20).tap(new Report(number, null, null, true));
        return seen.at(40).finish().scored(Criterion.COMMUNICATION).observations();
    }

    /** Two rates are worth their mean. */
    @Test
    void rates_are_worth_their_mean() {
        var plan = once(
                step("a").technique("cross-fibre").on(Zone.ACHILLES).dose(Dose.cycles(60, 1.5)),
                step("b").technique("cross-fibre").on(Zone.ACHILLES).dose(Dose.cycles(60, 1.5)));
        var seen = Seen.of(plan).sides(Sides.RIGHT).at(0).starts("a", Side.RIGHT);
        for (int i = 0; i < 4; i++) seen.at(5 + i * 0.7).tap(new RateTap());
        seen.at(40).starts("b", Side.RIGHT);
        for (int i = 0; i < 4; i++) seen.at(45 + i * 1.2).tap(new RateTap());
        // By hand: 1.43 a second lies in 1 to 2; 0.83 does not, but within a quarter.
        assertThat(seen.at(80).finish().part(Criterion.PRESSURE, "rate")).isCloseTo(0.75, within(1e-12));
    }

    /** A leg has two sides of the sheet and the back one, whatever side is said. */
    @Test
    void a_part_of_the_sheet_without_sides_has_none() {
        var seen = Seen.of(both(Zone.BELLY)).sides(Sides.RIGHT).at(0).starts("0", Side.RIGHT);
        seen.at(5).tap(new SheetChange(Drape.OPEN, DrapeUnit.BACK, Side.LEFT));
        seen.at(6).tap(new SheetChange(Drape.OPEN, DrapeUnit.LEG, Side.LEFT));
        seen.at(7).tap(new SheetChange(Drape.OPEN, DrapeUnit.ARM, null));
        assertThat(seen.at(40).finish().scores().run().opens())
                .extracting(o -> o.unit().unit() + " " + o.unit().side() + " " + o.start() / 1000)
                .contains("back midline 5", "leg left 6", "arm right 7");
    }
}
