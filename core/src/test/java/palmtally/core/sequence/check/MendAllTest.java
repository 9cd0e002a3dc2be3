package palmtally.core.sequence.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static palmtally.core.sequence.Plans.step;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import palmtally.core.body.Position;
import palmtally.core.body.Region;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Block;
import palmtally.core.sequence.DoseWindow;
import palmtally.core.sequence.Plans;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.StepEdit;
import palmtally.core.technique.Techniques;
import palmtally.core.technique.Tool;

/** All mends of a plan as one act. */
class MendAllTest {
    /** A plan as nobody who knows the trade would write it. */
    private static Sequence wild(long seed, int steps) {
        var chance = new Random(seed);
        var techniques = Techniques.SHIPPED.all();
        var zones = Zone.values();
        var made = new ArrayList<Step>();
        for (int i = 0; i < steps; i++) {
            var zone = zones[chance.nextInt(zones.length)];
            int n = i;
            made.add(StepEdit.of("s" + i, techniques.get(chance.nextInt(techniques.size())), List.of(zone))
                    .step()
                    .with(e -> {
                        e.name = "Step " + n;
                        e.depth = chance.nextInt(6);
                        if (chance.nextInt(3) == 0) e.tool = Tool.values()[chance.nextInt(Tool.values().length)];
                        if (chance.nextInt(4) == 0)
                            e.position = Position.values()[chance.nextInt(Position.values().length)];
                        e.sheet = Sheet.values()[chance.nextInt(Sheet.values().length)];
                    }));
        }
        int cut = chance.nextInt(made.size());
        var blocks = new ArrayList<Block>();
        if (cut > 0)
            blocks.add(new Block("a", "A", Block.Order.IN_ORDER, Block.Repeat.EACH_SIDE, made.subList(0, cut)));
        blocks.add(new Block("b", "B", Block.Order.IN_ORDER, Block.Repeat.ONCE, made.subList(cut, made.size())));
        return new Sequence("wild", "Wild", Region.THIGH, 1200, Side.LEFT, "", null, blocks);
    }

    private static List<Object[]> plans() {
        var plans = new ArrayList<Object[]>();
        for (int seed = 0; seed < 15; seed++)
            for (var profile : Profile.shipped()) plans.add(new Object[] {wild(seed, 12), profile});
        return plans;
    }

    private static String said(Step step) {
        return step.say().stream()
                .map(w -> w.kind() + " " + w.words() + " " + w.atSeconds())
                .toList()
                .toString();
    }

    @ParameterizedTest
    @MethodSource("plans")
    void ends_with_no_stop_nothing_twice_and_every_dose_in_its_window(Sequence plan, Profile profile) {
        var all = MendAll.of(plan, profile, List.of(), Severity.HINT);
        var after = all.after();
        assertThat(after.findings()).noneMatch(f -> f.severity() == Severity.STOP);
        assertThat(all.done()).hasSizeGreaterThan(5);
        for (var step : after.sequence().steps())
            assertThat(new HashSet<>(step.say())).as(said(step)).hasSameSizeAs(step.say());
        var steps = after.sequence().steps();
        for (int i = 1; i < steps.size(); i++) {
            var before = steps.get(i - 1);
            var like = steps.get(i).with(e -> {
                e.id = before.id();
                e.say = new ArrayList<>(before.say());
            });
            assertThat(like).as("laid twice: %s", before.name()).isNotEqualTo(before);
        }
        for (var step : steps)
            DoseWindow.of(step, profile).ifPresent(w -> {
                assertThat(w.measure(step.dose())).as(step.toString()).isBetween(w.least() - 1e-9, w.most() + 1e-9);
                assertThat(w.passesCap(step.secondSide())).isFalse();
            });
        assertThat(MendAll.of(after.sequence(), profile, List.of(), Severity.HINT)
                        .done())
                .as("done again")
                .isEmpty();
        double cost = all.done().stream().mapToDouble(MendAll.Done::seconds).sum();
        assertThat(all.secondsBefore() + cost).isCloseTo(after.timeline().totalSeconds(), within(1e-6));
    }

    /** A leg of 25 steps as a class jots it down: no opening, no question, the second side on its own. */
    static Sequence leg() {
        var steps = new ArrayList<Step>();
        var techniques = List.of("effleurage", "petrissage", "fist-glide", "stripping-thumb", "trigger-point");
        var zones = List.of(Zone.HAMSTRINGS, Zone.CALF, Zone.THIGH_OUTER, Zone.ACHILLES, Zone.SOLE);
        for (var zone : zones)
            for (var technique : techniques)
                steps.add(StepEdit.of(zone + "-" + technique, Techniques.SHIPPED.get(technique), List.of(zone))
                        .step()
                        .with(e -> e.position = Position.PRONE));
        return new Sequence(
                "leg",
                "Leg",
                Region.THIGH,
                1800,
                Side.LEFT,
                "",
                null,
                List.of(new Block("b", "B", Block.Order.IN_ORDER, Block.Repeat.EACH_SIDE, steps)));
    }

    @Test
    void a_leg_of_twenty_five_steps_is_mended_in_one_act() {
        var before = Checks.run(leg(), Profile.bySeconds());
        assertThat(before.findings()).hasSizeGreaterThan(20);
        var all = MendAll.of(leg(), Profile.bySeconds(), List.of(), Severity.HINT);
        assertThat(all.after().findings())
                .extracting(f -> f.rule().toString())
                .containsExactly("DOSE-SLOT", "ORDER-OPPOSE", "ORDER-OPPOSE");
        // Named by the numbers of the plan as it was.
        assertThat(all.done().stream()
                        .filter(d -> d.label().startsWith("Add 20 s flush"))
                        .map(MendAll.Done::label))
                .contains("Add 20 s flush after step 5", "Add 20 s flush after step 10");
        assertThat(all.after().sequence().steps()).hasSizeGreaterThan(25);
    }

    @Test
    void hints_are_left_where_they_are_not_wanted() {
        var all = MendAll.of(leg(), Profile.bySeconds(), List.of(), Severity.WARN);
        assertThat(all.done()).isNotEmpty().noneMatch(d -> d.finding().severity() == Severity.HINT);
    }

    @Test
    void a_mend_is_done_with_those_of_what_it_raises() {
        // Opening the sheet for a stretch leaves it unsecured: better only with both.
        var plan = Plans.of(
                1200,
                Plans.block(
                        "b",
                        Block.Order.IN_ORDER,
                        Block.Repeat.ONCE,
                        step("s")
                                .technique("stretch")
                                .on(Zone.THIGH_FRONT)
                                .deep(2)
                                .seconds(30)
                                .sheet(Sheet.COVERED)));
        var all = MendAll.of(plan, Profile.bySeconds(), List.of(), Severity.WARN);
        assertThat(all.done()).extracting(MendAll.Done::label).contains("Open the sheet");
        assertThat(all.after().findings())
                .extracting(f -> f.rule().toString())
                .doesNotContain("DRAPE-OPEN", "DRAPE-SECURE");
    }

    @Test
    void what_is_too_much_goes_first_and_what_is_said_comes_last() {
        var all = MendAll.of(leg(), Profile.bySeconds(), List.of(), Severity.HINT);
        var kinds = all.done().stream()
                .map(d -> d.finding().rule().toString().replaceFirst("-.*", ""))
                .distinct()
                .toList();
        assertThat(kinds).containsExactly("ORDER", "PRESS", "DRAPE", "COMM");
    }
}
