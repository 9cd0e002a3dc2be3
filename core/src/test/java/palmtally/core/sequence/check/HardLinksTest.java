package palmtally.core.sequence.check;

import static org.assertj.core.api.Assertions.assertThat;
import static palmtally.core.sequence.Plans.block;
import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.findings;
import static palmtally.core.sequence.Plans.of;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import palmtally.core.body.Position;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Block;
import palmtally.core.sequence.Lubricant;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Plans.Made;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.StepEdit;
import palmtally.core.sequence.Stint;
import palmtally.core.sequence.Timeline;
import palmtally.core.technique.Dose;
import palmtally.core.technique.Tool;

/** What binds the order of steps, and what the search for turns makes of it (common practice, no source). */
class HardLinksTest {
    private static final Profile A = Profile.bySeconds();

    private static Made firm(String id) {
        return step(id).technique("fist-glide").with(Tool.LOOSE_FIST).deep(4).phase(Phase.TREAT);
    }

    private static List<String> links(Sequence plan, Profile profile) {
        var links = HardLinks.of(new Plan(plan, profile, List.of()));
        var all = new ArrayList<String>();
        for (int i = 0; i < links.steps().size(); i++) {
            int from = i;
            links.after(i).stream()
                    .forEach(j -> all.add(links.steps().get(from).id() + ">"
                            + links.steps().get(j).id()));
        }
        return all;
    }

    private static List<String> links(Sequence plan) {
        return links(plan, A);
    }

    @Test
    void own_links_bind_whatever_the_rules_say() {
        assertThat(links(once(step("a").before("b"), step("b")))).contains("a>b");
        assertThat(links(once(step("a"), step("b").before("a"))))
                .contains("b>a")
                .doesNotContain("a>b");
    }

    @Test
    void only_as_much_warm_up_as_is_needed_is_bound() {
        var plan = once(
                step("w").seconds(60),
                step("v").seconds(60),
                firm("f"),
                step("x").seconds(20));
        assertThat(links(plan)).contains("w>f", "f>x").doesNotContain("v>f", "w>v");
    }

    @Test
    void a_rule_that_is_off_binds_nothing() {
        var plan = once(step("w").seconds(60), firm("f"));
        var off = A.withSeverities(Map.of(Rule.of("ORDER-WARM"), Severity.OFF));
        assertThat(links(plan)).contains("w>f");
        assertThat(links(plan, off)).doesNotContain("w>f");
    }

    @Test
    void dry_grip_work_comes_before_the_oil_of_its_zone_only() {
        var plan = once(
                step("r").technique("skin-rolling").with(Tool.PINCER),
                step("o").oiled(),
                step("p").on(Zone.LUMBAR).oiled());
        assertThat(links(plan)).contains("r>o").doesNotContain("r>p");
    }

    @Test
    void permission_comes_before_what_it_is_for() {
        var plan = once(
                step("t").on(Zone.HAMSTRINGS),
                step("q").on(Zone.GLUTEALS).sheet(Sheet.THROUGH).deep(1).say(SayKind.CONSENT),
                step("g").on(Zone.GLUTEALS).sheet(Sheet.THROUGH));
        assertThat(links(plan)).contains("q>g", "t>q");
    }

    @Test
    void settling_stays_first_and_covering_last() {
        var plan = once(
                step("s").technique("still-hold").deep(1).phase(Phase.SETTLE),
                step("a"),
                step("c").deep(1).sheet(Sheet.COVERED).phase(Phase.COVER));
        assertThat(links(plan)).contains("s>a", "s>c", "a>c");
    }

    @Test
    void a_rule_never_closes_a_circle_with_an_own_link() {
        // The firm stroke was linked before its own warm-up: the author's word stands, and there is an order.
        var plan = once(step("w").seconds(60), firm("f").before("w"));
        assertThat(links(plan)).contains("f>w").doesNotContain("w>f");
        assertThat(Turns.least(HardLinks.of(new Plan(plan, A, List.of()))).order())
                .containsExactly(1, 0);
    }

    @Nested
    class The_order_with_the_fewest_turns {
        private Sequence mended(Sequence plan) {
            var checks = Checks.run(plan, A);
            var found = findings(plan, A, Rule.of("ORDER-TURNS"));
            assertThat(found).hasSize(1);
            return checks.mended(found.get(0).key());
        }

        private long turns(Sequence plan) {
            return Timeline.of(plan, A).spans().stream()
                    .filter(s -> s.transitions().containsKey(Timeline.Transition.TURN))
                    .count();
        }

        @Test
        void keeps_every_step_and_its_block_name_and_turns_no_more_than_it_says() {
            var plan = of(
                    3600,
                    block(
                            "x",
                            Block.Order.IN_ORDER,
                            Block.Repeat.EACH_SIDE,
                            step("a").side(Sides.EACH)),
                    block(
                            "y",
                            Block.Order.IN_ORDER,
                            Block.Repeat.EACH_SIDE,
                            step("b").on(Zone.SHIN).lying(Position.SUPINE).side(Sides.EACH)),
                    block(
                            "z",
                            Block.Order.IN_ORDER,
                            Block.Repeat.EACH_SIDE,
                            step("c").on(Zone.HAMSTRINGS).side(Sides.EACH)));
            assertThat(turns(plan)).isEqualTo(2);
            var mended = mended(plan);
            assertThat(turns(mended)).isEqualTo(1);
            assertThat(mended.steps()).extracting(Step::id).containsExactlyInAnyOrder("a", "b", "c");
            assertThat(mended.blocks()).extracting(Block::name).containsExactlyInAnyOrder("x", "y", "z");
        }

        @Test
        void takes_along_a_question_that_the_step_before_asked() {
            var plan = once(
                    step("t").on(Zone.HAMSTRINGS),
                    step("q").on(Zone.SHIN).lying(Position.SUPINE).say(SayKind.CONSENT),
                    step("g").on(Zone.GLUTEALS).sheet(Sheet.THROUGH));
            assertThat(findings(plan, A, Rule.of("CONSENT-BEFORE"))).isEmpty();
            var mended = mended(plan);
            assertThat(findings(mended, A, Rule.of("CONSENT-BEFORE"))).isEmpty();
            assertThat(mended.step("g").orElseThrow().says(SayKind.CONSENT)).isTrue();
        }
    }

    @Nested
    class Passes {
        @Test
        void go_on_over_blocks_until_the_client_is_turned() {
            var plan = of(
                    3600,
                    block(
                            "x",
                            Block.Order.IN_ORDER,
                            Block.Repeat.EACH_SIDE,
                            step("a").side(Sides.EACH)),
                    block(
                            "y",
                            Block.Order.IN_ORDER,
                            Block.Repeat.EACH_SIDE,
                            step("b").side(Sides.EACH)),
                    block(
                            "z",
                            Block.Order.IN_ORDER,
                            Block.Repeat.EACH_SIDE,
                            step("c").on(Zone.SHIN).lying(Position.SUPINE).side(Sides.EACH)));
            assertThat(Stint.of(plan))
                    .extracting(s -> s.step().id() + s.side().toString().charAt(0))
                    .containsExactly("ar", "br", "al", "bl", "cr", "cl");
        }

        @Test
        void walk_a_one_sided_step_on_its_own_side() {
            var plan = of(
                    3600,
                    block(
                            "x",
                            Block.Order.IN_ORDER,
                            Block.Repeat.EACH_SIDE,
                            step("a").side(Sides.EACH),
                            step("l").side(Sides.LEFT),
                            step("m").side(Sides.BOTH)));
            assertThat(Stint.of(plan))
                    .extracting(s -> s.step().id() + " " + s.side())
                    .containsExactly("a right", "m both", "a left", "l left");
            assertThat(Stint.of(plan).get(3).second()).isTrue();
        }
    }

    @Nested
    class Edits {
        private final Sequence plan = once(step("a").before("c"), step("b"), step("c"));

        @Test
        void move_a_step_beside_another() {
            assertThat(plan.moving("c", "a", 0).steps()).extracting(Step::id).containsExactly("c", "a", "b");
            assertThat(plan.moving("a", "b", 1).steps()).extracting(Step::id).containsExactly("b", "a", "c");
        }

        @Test
        void take_steps_out_with_the_links_to_them() {
            var rest = plan.without(java.util.Set.of("c"));
            assertThat(rest.steps()).extracting(Step::id).containsExactly("a", "b");
            assertThat(rest.steps().get(0).before()).isEmpty();
        }

        @Test
        void append_in_a_block_of_its_own_behind_one_that_is_run_on_each_side() {
            assertThat(eachSide(step("a")).appending(step("z").step()).blocks()).hasSize(2);
            assertThat(plan.appending(step("z").step()).blocks()).hasSize(1);
        }

        @Test
        void a_new_step_is_as_the_technique_is_usually_given() {
            var t = palmtally.core.technique.Techniques.SHIPPED.get("skin-rolling");
            var made = StepEdit.of("n", t, List.of(Zone.UPPER_BACK)).step();
            assertThat(made.tool()).isEqualTo(Tool.PINCER);
            assertThat(made.dose()).isEqualTo(Dose.seconds(45));
            assertThat(made.lubricant()).isEqualTo(Lubricant.DRY);
            assertThat(made.side()).isEqualTo(Sides.EACH);
            assertThat(StepEdit.of("n", t, List.of(Zone.SCALP)).step().side()).isEqualTo(Sides.MIDLINE);
        }
    }

    @Test
    void a_note_about_one_zone_names_it_and_its_side() {
        var left =
                new palmtally.core.people.ClientNote(palmtally.core.people.ClientNote.Kind.NUMB, Zone.CALF, Side.LEFT);
        assertThat(left.covers(Zone.CALF, Side.LEFT)).isTrue();
        assertThat(left.covers(Zone.CALF, Side.BOTH)).isTrue();
        assertThat(left.covers(Zone.CALF, Side.RIGHT)).isFalse();
        assertThat(left.covers(Zone.SHIN, Side.LEFT)).isFalse();
        org.assertj.core.api.Assertions.assertThatThrownBy(() ->
                        new palmtally.core.people.ClientNote(palmtally.core.people.ClientNote.Kind.NUMB, null, null))
                .hasMessageContaining("which zone");
    }
}
