package palmtally.core.practical;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import palmtally.core.InvalidValue;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.practical.event.Instead;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Plans;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.detail.Branch;
import palmtally.core.sequence.detail.Branch.Then;
import palmtally.core.sequence.detail.Branch.When;
import palmtally.core.technique.Tool;

/** What is done by one of the plan's own branches is that step done. */
class InsteadTest {
    private static Branch branch(When when, Then then) {
        return Branch.of(when, then, null);
    }

    private static Plans.Made with(Plans.Made made, Branch... branches) {
        return made.saying(d -> d.instead = List.of(branches));
    }

    /** Four gentle steps of a minute, the third of which may be left out, or go on otherwise. */
    private static Sequence plan(Branch... branches) {
        return once(step("0"), step("1"), with(step("2").deep(4), branches), step("3"));
    }

    private static Seen begun(Sequence plan) {
        return Seen.of(plan)
                .sides(Sides.RIGHT)
                .at(0)
                .starts("0", Side.RIGHT)
                .at(60)
                .starts("1", Side.RIGHT)
                .at(120);
    }

    private static Instead taken(When when, Then then) {
        return new Instead("2", null, when, then);
    }

    @ParameterizedTest
    @EnumSource(
            value = Then.class,
            names = {"SKIP", "LATER", "MOVE_ON", "STOP"})
    void what_it_leaves_out_counts_as_done(Then then) {
        var plan = plan(branch(When.HOT_OR_SWOLLEN, then));
        var by = begun(plan).tap(taken(When.HOT_OR_SWOLLEN, then)).starts("3", Side.RIGHT);
        by.at(180).finish();
        assertThat(by.score(Criterion.ORDER)).isCloseTo(100, within(1e-9));
        assertThat(by.findings(Rule.of("ORDER-COVER"))).isEmpty();
        assertThat(by.scored(Criterion.ORDER).parts().get(0).explanation())
                .endsWith("; 1 step ended by the plan’s own branch");
        var without = begun(plan).starts("3", Side.RIGHT);
        without.at(180).finish();
        assertThat(without.score(Criterion.ORDER)).isCloseTo(75, within(1e-9));
    }

    /** Ten seconds of a minute, then stopped as the plan says: all of it. By hand, of its own accord: 10 ÷ 30 of a quarter. */
    @Test
    void what_it_ends_counts_as_much_as_if_it_had_gone_on() {
        var plan = plan(branch(When.SHOOTS, Then.STOP));
        var by = begun(plan).starts("2", Side.RIGHT).at(130).tap(taken(When.SHOOTS, Then.STOP));
        by.at(131).starts("3", Side.RIGHT).at(190).finish();
        assertThat(by.score(Criterion.ORDER)).isCloseTo(100, within(1e-9));
        assertThat(by.scores().run().done())
                .extracting(d -> d.step().id() + " " + d.start() + " " + d.end())
                .contains("2 120000 130000");
        var without = begun(plan).starts("2", Side.RIGHT).at(130).stops();
        without.at(131).starts("3", Side.RIGHT).at(190).finish();
        assertThat(without.score(Criterion.ORDER)).isCloseTo(75 + 25 / 3.0, within(1e-9));
    }

    /** It has its place in the run all the same: 3, then 2 left out. By hand: W_K 3, W_L 1, (3 + ¼) ÷ 4. */
    @Test
    void what_it_leaves_out_has_its_place_when_that_is_said() {
        var by = begun(plan(branch(When.LITTLE_TIME, Then.LATER))).starts("3", Side.RIGHT);
        by.at(150).tap(taken(When.LITTLE_TIME, Then.LATER)).at(180).finish();
        assertThat(by.score(Criterion.ORDER)).isCloseTo(81.25, within(1e-9));
    }

    @Test
    void what_was_left_out_warmed_nothing() {
        var plan = once(
                with(step("w"), branch(When.LITTLE_TIME, Then.SKIP)),
                step("f").technique("fist-glide").with(Tool.LOOSE_FIST).deep(4).phase(Phase.TREAT),
                step("x").phase(Phase.FLUSH));
        var by = Seen.of(plan).sides(Sides.RIGHT).at(0).tap(new Instead("w", null, When.LITTLE_TIME, Then.SKIP));
        by.starts("f", Side.RIGHT).at(60).starts("x", Side.RIGHT).at(120).finish();
        assertThat(by.findings(Rule.of("ORDER-WARM")))
                .singleElement()
                .satisfies(f -> assertThat(f.sentence()).endsWith("and was never done."));
        assertThat(by.score(Criterion.ORDER)).isCloseTo(40, within(1e-9));
    }

    /** The plan asks depth 4, its branch 2: two is what is asked from then on. */
    @ParameterizedTest
    @CsvSource({"2, 1", "3, 0.5", "4, 0"})
    void depth_is_held_against_the_branch(int seen, double credit) {
        var gentler = new Branch(When.HURTS, Then.BROADER, Tool.FOREARM, null, List.of(), 2, null, null);
        var by = begun(plan(gentler)).starts("2", Side.RIGHT).at(140).tap(taken(When.HURTS, Then.BROADER));
        by.at(150).touches(Zone.CALF, seen);
        by.at(180).finish();
        assertThat(by.part(Criterion.PRESSURE, "depth")).isEqualTo(credit);
        assertThat(by.scores().run().done())
                .extracting(d -> d.step().tool() + " " + d.start() + " " + d.end())
                .containsExactly("palm 0 60000", "palm 60000 120000", "palm 120000 140000", "forearm 140000 180000");
    }

    @Test
    void what_a_branch_does_not_say_stays_as_it_was() {
        var planned =
                step("s").technique("fist-glide").with(Tool.KNUCKLES).deep(4).step();
        var plan = plan();
        var lighter = planned.taking(branch(When.HURTS, Then.LIGHTER), plan);
        assertThat(lighter).isEqualTo(planned.withDepth(3));
        assertThat(planned.withDepth(1)
                        .taking(branch(When.HURTS, Then.LIGHTER), plan)
                        .depth())
                .isEqualTo(1);
        assertThat(planned.withDepth(0)
                        .taking(branch(When.HURTS, Then.LIGHTER), plan)
                        .depth())
                .isZero();
        assertThat(planned.taking(branch(When.HURTS, Then.SLOWER), plan)).isEqualTo(planned);
        for (var through : List.of(Then.THROUGH_THE_SHEET, Then.CLOTHED))
            assertThat(planned.taking(branch(When.DECLINES_SKIN, through), plan))
                    .isEqualTo(planned.with(e -> e.sheet = Sheet.THROUGH));
        var all = new Branch(
                When.HURTS, Then.LIGHTER, Tool.PALM, "effleurage", List.of(Zone.HAMSTRINGS), 1, Sheet.COVERED, "words");
        assertThat(planned.with(e -> e.hand = "trench").taking(all, plan)).isEqualTo(planned.with(e -> {
            e.tool = Tool.PALM;
            e.technique = plan.technique("effleurage").orElseThrow();
            e.zones = List.of(Zone.HAMSTRINGS);
            e.depth = 1;
            e.sheet = Sheet.COVERED;
        }));
        var unknown = new Branch(When.HURTS, Then.OTHER_TECHNIQUE, null, "own", List.of(), null, null, null);
        assertThat(planned.taking(unknown, plan)).isEqualTo(planned);
    }

    /** The left side is left out as the plan says: nothing is missing of it, and no second side restarts. */
    @Test
    void a_side_that_it_leaves_out_is_not_missing() {
        var plan = eachSide(step("0"), with(step("1"), branch(When.HOT_OR_SWOLLEN, Then.SKIP)));
        var by = Seen.of(plan).at(0).starts("0", Side.RIGHT).at(60).starts("1", Side.RIGHT);
        by.at(120).starts("0", Side.LEFT).at(180).tap(new Instead("1", Side.LEFT, When.HOT_OR_SWOLLEN, Then.SKIP));
        by.at(181).finish();
        assertThat(by.score(Criterion.ORDER)).isCloseTo(100, within(1e-9));
        assertThat(StepLook.of(by.scores(), Set.of()))
                .extracting(StepLook::wrong)
                .containsOnly(Set.of());
        assertThat(by.scores().run().left())
                .extracting(l -> l.key().side() + " " + l.atMs())
                .containsExactly("left 180000");
    }

    @Test
    void what_the_plan_does_not_have_is_refused() {
        assertThatThrownBy(() -> begun(plan(branch(When.HURTS, Then.LIGHTER)))
                        .tap(taken(When.HURTS, Then.SKIP))
                        .scores())
                .isInstanceOfSatisfying(
                        InvalidValue.class,
                        e -> assertThat(e.faults())
                                .extracting(f -> f.field() + " " + f.value() + " " + f.reason())
                                .containsExactly(
                                        "events/3/data/then hurts: skip is no branch of the step in the plan"));
    }
}
