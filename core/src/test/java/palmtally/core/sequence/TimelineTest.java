package palmtally.core.sequence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import org.junit.jupiter.api.Test;
import palmtally.core.body.Position;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.profile.Profile;
import palmtally.core.technique.Dose;

/** Times by hand from the transitions of profile A: sheet 25 s, sensitive sheet 45, turn 60, place 5, lubricant 10, question 5. */
class TimelineTest {
    private static final Profile A = Profile.bySeconds();

    private static Timeline of(Sequence plan) {
        return Timeline.of(plan, A);
    }

    @Test
    void one_open_step_costs_its_sheet_and_its_dose() {
        var t = of(once(step("a").seconds(60)));
        assertThat(t.totalSeconds()).isEqualTo(85);
        assertThat(t.spans().get(0).start()).isEqualTo(25);
    }

    @Test
    void lubricant_is_put_on_a_zone_once() {
        assertThat(of(once(step("a").oiled(), step("b").oiled())).totalSeconds())
                .isEqualTo(25 + 10 + 60 + 60);
    }

    @Test
    void a_question_takes_its_time_and_a_turn_closes_the_sheet() {
        var plan = once(
                step("a").say(SayKind.PRESSURE_QUESTION),
                step("b").on(Zone.THIGH_FRONT).lying(Position.SUPINE));
        // 25 sheet + 5 question + 60; then 60 turn + 25 sheet + 5 another place + 60
        assertThat(of(plan).totalSeconds()).isEqualTo(90 + 150);
    }

    @Test
    void a_sensitive_zone_takes_the_longer_sheet() {
        assertThat(of(once(step("a").on(Zone.GLUTEALS))).totalSeconds()).isEqualTo(45 + 60);
    }

    @Test
    void heat_lies_on_its_zone_while_the_hands_work_elsewhere() {
        var heat =
                step("h").technique("heat").on(Zone.LUMBAR).sheet(Sheet.THROUGH).seconds(300);
        var calf = step("c").on(Zone.CALF).seconds(60).sheet(Sheet.THROUGH);
        var back = step("b").on(Zone.LUMBAR).seconds(60).sheet(Sheet.THROUGH);
        var t = of(once(heat, calf, back));
        assertThat(t.spans().get(1).start()).isEqualTo(5);
        assertThat(t.spans().get(2).start())
                .as("the zone is free again at 300 s")
                .isEqualTo(300);
        assertThat(t.totalSeconds()).as("the longest path, not the sum of 420").isEqualTo(360);
    }

    @Test
    void heat_that_outlasts_everything_is_the_end() {
        var heat =
                step("h").technique("heat").on(Zone.LUMBAR).sheet(Sheet.THROUGH).seconds(300);
        var calf = step("c").on(Zone.CALF).seconds(60).sheet(Sheet.THROUGH);
        assertThat(of(once(heat, calf)).totalSeconds()).isEqualTo(300);
    }

    @Test
    void neighbouring_blocks_of_each_side_are_one_pass_a_side() {
        var plan = Plans.of(
                3600,
                Plans.block(
                        "a",
                        Block.Order.IN_ORDER,
                        Block.Repeat.EACH_SIDE,
                        step("a").side(Sides.EACH)),
                Plans.block(
                        "b",
                        Block.Order.IN_ORDER,
                        Block.Repeat.EACH_SIDE,
                        step("b").side(Sides.EACH)));
        assertThat(Stint.of(plan))
                .extracting(s -> s.step().id() + " " + s.side() + (s.second() ? " second" : ""))
                .containsExactly("a right", "b right", "a left second", "b left second");
    }

    @Test
    void the_second_side_may_have_a_dose_of_its_own() {
        var t = of(eachSide(step("a").seconds(60).second(Dose.seconds(20))));
        assertThat(t.spans()).extracting(Timeline.Span::seconds).containsExactly(60.0, 20.0);
        assertThat(t.spans().get(1).stint().side()).isEqualTo(Side.LEFT);
    }

    @Test
    void spans_of_the_hands_never_overlap() {
        var t = of(eachSide(
                step("a").oiled(),
                step("b").on(Zone.HAMSTRINGS),
                step("c").on(Zone.SOLE).sheet(Sheet.THROUGH)));
        for (int i = 1; i < t.spans().size(); i++)
            assertThat(t.spans().get(i).begin()).isCloseTo(t.spans().get(i - 1).end(), within(1e-9));
    }

    /** Side-lying, the second side is reached by turning over: one turn, and the other side is up. */
    @Test
    void the_second_side_of_a_side_lying_plan_means_turning_over() {
        var plan = eachSide(step("a").lying(Position.SIDE_LEFT), step("b").lying(Position.SIDE_LEFT));
        var spans = Timeline.of(plan, Profile.bySeconds()).spans();
        assertThat(spans)
                .extracting(s -> s.stint().position())
                .containsExactly(Position.SIDE_LEFT, Position.SIDE_LEFT, Position.SIDE_RIGHT, Position.SIDE_RIGHT);
        assertThat(spans)
                .extracting(s -> s.transitions().containsKey(Timeline.Transition.TURN))
                .containsExactly(false, false, true, false);
        // Who says the side has said how the client lies.
        var said = eachSide(step("a").lying(Position.SIDE_LEFT).side(Sides.EACH));
        assertThat(Timeline.of(said, Profile.bySeconds()).spans().get(1).stint().position())
                .isEqualTo(Position.SIDE_RIGHT);
        var both = once(
                step("a").side(Sides.RIGHT).lying(Position.SIDE_LEFT),
                step("b").side(Sides.LEFT).lying(Position.SIDE_LEFT));
        assertThat(Timeline.of(both, Profile.bySeconds()).spans())
                .extracting(s -> s.stint().position())
                .containsOnly(Position.SIDE_LEFT);
    }
}
