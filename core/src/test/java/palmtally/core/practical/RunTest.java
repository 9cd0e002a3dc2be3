package palmtally.core.practical;

import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import palmtally.core.body.DrapeUnit;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.practical.event.Attend;
import palmtally.core.practical.event.Break;
import palmtally.core.practical.event.Contact;
import palmtally.core.practical.event.Event;
import palmtally.core.practical.event.HoldStart;
import palmtally.core.practical.event.HoldStop;
import palmtally.core.practical.event.SheetChange;
import palmtally.core.practical.event.StepStop;
import palmtally.core.profile.MechanicsFault;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sides;

/** What the taps of a grader say of a run, where a tap may be late, of something else, or of two who watch. */
class RunTest {
    private static final Sequence PLAN = once(
            step("a").on(Zone.CALF).seconds(60),
            step("b").on(Zone.CALF).band(1, 3).seconds(60));

    private static Seen run(Sequence plan) {
        return Seen.of(plan)
                .sides(Sides.RIGHT)
                .at(0)
                .starts("a", Side.RIGHT)
                .at(60)
                .starts("b", Side.RIGHT);
    }

    private static Seen run() {
        return run(PLAN);
    }

    private static Run of(Seen seen) {
        return seen.scores().run();
    }

    @Test
    void a_stop_of_another_step_leaves_the_one_that_is_on() {
        var seen = run().at(62).tap(new StepStop("a", null));
        assertThat(of(seen.at(120).finish()).done())
                .extracting(d -> d.step().id(), Run.Done::start, Run.Done::end)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple("a", 0L, 60_000L),
                        org.assertj.core.groups.Tuple.tuple("b", 60_000L, 120_000L));
        var other = run().at(62).tap(new StepStop("b", Side.LEFT));
        assertThat(of(other.at(120).finish()).done().get(1).end()).isEqualTo(120_000);
        var mine = run().at(62).tap(new StepStop("b", Side.RIGHT));
        assertThat(of(mine.at(120).finish()).done().get(1).end()).isEqualTo(62_000);
    }

    @Test
    void a_hold_belongs_to_the_step_in_which_it_began() {
        var seen = Seen.of(PLAN).sides(Sides.RIGHT).at(0).starts("a", Side.RIGHT);
        seen.at(50).tap(new HoldStart()).at(60).starts("b", Side.RIGHT).at(62).tap(new HoldStop());
        assertThat(of(seen.at(120).finish()).holds()).singleElement().satisfies(h -> {
            assertThat(h.step().id()).isEqualTo("a");
            assertThat(h.end() - h.start()).isEqualTo(12_000);
        });
    }

    @Test
    void a_hold_that_a_break_cuts_is_none() {
        var seen = run().at(70).tap(new HoldStart()).at(75).tap(new Break(true, null));
        seen.at(80).tap(new Break(false, null)).at(90).tap(new HoldStop());
        assertThat(of(seen.at(120).finish()).holds()).isEmpty();
    }

    /** The plan says 3; that nobody said how deep it was is no sight of a 3. */
    @Test
    void a_touch_that_says_no_depth_says_where_and_not_how_deep() {
        var where = run().at(70).tap(Contact.on(Zone.CALF)).at(120).finish();
        assertThat(where.part(Criterion.PRESSURE, "ceilings")).isNull();
        var deep = run().at(70).tap(Contact.on(Zone.CALF).depth(2)).at(80).tap(Contact.on(Zone.CALF));
        assertThat(of(deep.at(120).finish()).contacts())
                .filteredOn(Run.Touch::seen)
                .extracting(Run.Touch::seenDepth)
                .containsExactly(2, null);
    }

    @Test
    void a_forbidden_site_touched_is_critical_however_deep() {
        for (var touch :
                List.of(Contact.on(Zone.THROAT), Contact.on(Zone.THROAT).depth(1)))
            assertThat(run().at(70).tap(touch).at(120).finish().findings(Rule.of("PRESS-CEILING")))
                    .singleElement()
                    .satisfies(f -> assertThat(f.severity()).isEqualTo(Severity.CRITICAL));
        assertThat(run().at(70)
                        .tap(Contact.on(Zone.THROAT).depth(0))
                        .at(120)
                        .finish()
                        .findings(Rule.of("PRESS-CEILING")))
                .isEmpty();
    }

    /** Step b aims at 1 to 3: a 5 is over it while it is on and four seconds after, and nobody's a while later. */
    @Test
    void a_report_belongs_to_the_step_that_ended_a_moment_before() {
        for (double at : new double[] {110, 111, 114.9}) {
            var seen = run().at(110).stops().at(at).report(5);
            assertThat(seen.at(200).finish().findings(Rule.of("PRESS-BAND")))
                    .as("at %s", at)
                    .singleElement()
                    .satisfies(f -> assertThat(f.where().step()).isEqualTo("b"));
        }
        var later = run().at(110).stops().at(115).report(5).at(200).finish();
        assertThat(later.findings(Rule.of("PRESS-BAND")))
                .singleElement()
                .satisfies(f -> assertThat(f.where().step()).isNull());
    }

    @Test
    void what_is_seen_in_a_break_scores_nothing() {
        var seen = run().at(30).looks().at(40).looks().at(50).looks().at(70).tap(new Break(true, "fire bell"));
        seen.at(75).report(9).at(76).looks(MechanicsFault.LEANING);
        seen.at(77)
                .sheet(SheetChange.Drape.LOOSE)
                .at(80)
                .tap(new Break(false, null))
                .starts("b", Side.RIGHT);
        var scores = seen.at(120).finish().scores();
        assertThat(scores.get(Criterion.MECHANICS).score()).isEqualTo(100);
        assertThat(scores.get(Criterion.MECHANICS).observations()).isEqualTo(3);
        assertThat(scores.get(Criterion.PRESSURE).parts().get(0).value()).isNull();
        assertThat(scores.findings())
                .extracting(f -> f.rule())
                .doesNotContain(Rule.of("DRAPE-FAULT"), Rule.of("PRESS-BAND"));
    }

    @Test
    void one_who_looks_away_ends_nobody_elses_attention() {
        var seen = run();
        var events = new ArrayList<>(seen.at(120).finish().events());
        events.add(new Event("x1", "t2", 1, 10_000, null, new Attend(true)));
        events.add(new Event("x2", "t2", 2, 20_000, null, new Attend(false)));
        var run = Run.of(new Practical(PLAN, Profile.bySeconds(), List.of(), Sides.RIGHT, events));
        assertThat(run.attendedStretches()).containsExactly(new long[] {0, 120_000});
    }

    @Test
    void work_on_the_midline_is_work_on_both_sides() {
        var plan = once(
                step("a").on(Zone.GLUTEALS).seconds(300),
                step("b").on(Zone.CALF).seconds(60));
        var seen = Seen.of(plan)
                .sides(Sides.RIGHT)
                .at(0)
                .tap(new SheetChange(SheetChange.Drape.OPEN, DrapeUnit.HIP, Side.LEFT));
        seen.at(1).starts("a", Side.MIDLINE).at(300).finish();
        assertThat(seen.findings(Rule.of("DRAPE-IDLE"))).isEmpty();
    }

    /** A step is still spoken of until just before five seconds after its end. */
    @Test
    void what_is_said_within_five_seconds_of_a_step_is_about_it() {
        var run = Seen.of(once(step("a").seconds(30)))
                .sides(Sides.RIGHT)
                .at(2)
                .starts("a", Side.RIGHT)
                .at(30)
                .stops()
                .at(60)
                .finish()
                .scores()
                .run();
        assertThat(run.about(1_999)).isEmpty();
        for (long ms : new long[] {2_000, 30_000, 34_999})
            assertThat(run.about(ms)).as("%s", ms).isPresent();
        assertThat(run.about(35_000)).isEmpty();
    }
}
