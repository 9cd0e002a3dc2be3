package palmtally.core.practical;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Region;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.practical.StepLook.Wrong;
import palmtally.core.practical.event.ReportAnswer.Response;
import palmtally.core.practical.event.SheetChange.Drape;
import palmtally.core.profile.MechanicsFault;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sides;
import palmtally.core.technique.Tool;

/** A run over the calf and the foot: each region is judged by its own steps. */
class ExcerptTest {
    private static final Sequence PLAN = once(
            step("calf warm").on(Zone.CALF).seconds(60),
            step("calf firm")
                    .technique("fist-glide")
                    .with(Tool.LOOSE_FIST)
                    .on(Zone.CALF)
                    .deep(4)
                    .phase(Phase.TREAT)
                    .seconds(60),
            step("sole warm").on(Zone.SOLE).seconds(60),
            step("sole firm")
                    .technique("fist-glide")
                    .with(Tool.LOOSE_FIST)
                    .on(Zone.SOLE)
                    .deep(3)
                    .phase(Phase.TREAT)
                    .seconds(60));

    private static Seen calf() {
        return Seen.of(PLAN)
                .sides(Sides.RIGHT)
                .at(0)
                .starts("calf warm", Side.RIGHT)
                .at(20)
                .looks()
                .at(60)
                .starts("calf firm", Side.RIGHT)
                .at(70)
                .asks()
                .at(75)
                .report(5)
                .at(78)
                .report(5)
                .at(80)
                .looks()
                .at(100)
                .looks()
                .at(120);
    }

    /** The foot goes wrong: out of order, bent over, unasked, the sheet loose. */
    private static Seen foot(Seen seen) {
        return seen.starts("sole firm", Side.RIGHT)
                .at(130)
                .looks(MechanicsFault.BENT_WAIST)
                .at(140)
                .sheet(Drape.LOOSE)
                .at(150)
                .report(9)
                .at(155)
                .answers(Response.NONE)
                .at(158)
                .report(5)
                .at(160)
                .looks(MechanicsFault.BENT_WAIST)
                .at(170)
                .looks(MechanicsFault.BENT_WAIST)
                .at(180)
                .starts("sole warm", Side.RIGHT)
                .at(240)
                .finish();
    }

    private static Scores part(Scores whole, Region region) {
        var steps = Excerpt.regions(whole.run().practical()).get(region);
        return Excerpt.of(whole, s -> steps.contains(s.id()));
    }

    @Nested
    class A_region {
        @Test
        void is_there_for_each_zone_that_has_a_fifth_of_the_time() {
            assertThat(Excerpt.regions(calf().finish().practical()))
                    .containsOnlyKeys(Region.LOWER_LEG, Region.FOOT)
                    .containsEntry(Region.FOOT, Set.of("sole warm", "sole firm"));
            var touch = once(
                    step("calf warm").on(Zone.CALF).seconds(100),
                    step("sole").on(Zone.SOLE).seconds(20));
            assertThat(Excerpt.regions(
                            Seen.of(touch).sides(Sides.RIGHT).finish().practical()))
                    .containsOnlyKeys(Region.LOWER_LEG);
        }

        @Test
        void does_not_pay_for_what_went_wrong_in_another() {
            var whole = foot(calf()).scores();
            var calf = part(whole, Region.LOWER_LEG);
            var foot = part(whole, Region.FOOT);
            assertThat(calf.get(Criterion.MECHANICS).score()).isEqualTo(100);
            assertThat(foot.get(Criterion.MECHANICS).score()).isZero();
            assertThat(whole.get(Criterion.MECHANICS).score()).isBetween(1.0, 99.0);
            assertThat(calf.get(Criterion.ORDER).score()).isCloseTo(100, within(1e-9));
            assertThat(foot.get(Criterion.ORDER).score()).isLessThan(60);
            assertThat(calf.get(Criterion.PRESSURE).score())
                    .isGreaterThan(foot.get(Criterion.PRESSURE).score());
            assertThat(calf.findings())
                    .noneMatch(f -> f.where().step() != null && f.where().step().startsWith("sole"));
        }

        /** The calf alone, graded alone, has the same scores as in the longer run. */
        @Test
        void has_the_scores_it_would_have_had_alone() {
            var alone = new Practical(
                    PLAN,
                    calf().practical().profile(),
                    List.of("calf warm", "calf firm"),
                    Sides.RIGHT,
                    calf().finish().events());
            var calf = part(foot(calf()).scores(), Region.LOWER_LEG);
            var expected = Scores.of(alone);
            for (var c : List.of(Criterion.PRESSURE, Criterion.ORDER, Criterion.MECHANICS))
                assertThat(calf.get(c).score())
                        .as(c.label())
                        .isCloseTo(expected.get(c).score(), within(1e-9));
        }
    }

    @Test
    void all_that_was_asked_is_the_whole() {
        var whole = foot(calf()).scores();
        assertThat(Excerpt.of(whole, s -> true)).isSameAs(whole);
    }

    @Test
    void a_tool_is_judged_where_it_was_used_and_warmed_by_what_came_before() {
        var whole = foot(calf()).scores();
        var fist = Excerpt.of(whole, s -> s.tool() == Tool.LOOSE_FIST);
        assertThat(fist.run().practical().brief()).hasSize(2);
        assertThat(fist.get(Criterion.MECHANICS).observations()).isEqualTo(5);
        // The calf was warmed by the palm, which is not asked for here.
        assertThat(fist.get(Criterion.ORDER).findings())
                .noneMatch(f -> "calf firm".equals(f.where().step()));
    }

    @Nested
    class A_step {
        @Test
        void that_was_left_out_is_missed_and_nothing_else() {
            var looks = StepLook.of(calf().finish().scores(), Set.of());
            assertThat(looks)
                    .extracting(StepLook::step)
                    .containsExactly("calf warm", "calf firm", "sole warm", "sole firm");
            assertThat(looks.get(3).wrong()).containsExactly(Wrong.MISSED);
            assertThat(looks.get(0).wrong()).isEmpty();
        }

        @Test
        void that_came_late_is_out_of_order_and_one_whose_report_got_no_answer_is_silent() {
            var looks = StepLook.of(foot(calf()).scores(), Set.of());
            assertThat(looks.get(2).wrong()).contains(Wrong.OUT_OF_ORDER);
            assertThat(looks.get(3).wrong()).contains(Wrong.LEFT_SILENT);
            assertThat(looks.get(1).wrong()).doesNotContain(Wrong.OUT_OF_ORDER, Wrong.MISSED);
        }

        @Test
        void whose_finding_was_struck_is_not_wrong() {
            var scores = foot(calf()).scores();
            var struck = new java.util.HashSet<String>();
            scores.findings().forEach(f -> struck.add(f.key()));
            assertThat(StepLook.of(scores, struck))
                    .allSatisfy(l -> assertThat(l.wrong()).isEmpty());
        }
    }
}
