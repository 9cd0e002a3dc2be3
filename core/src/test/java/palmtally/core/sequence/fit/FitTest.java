package palmtally.core.sequence.fit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static palmtally.core.sequence.Plans.block;
import static palmtally.core.sequence.Plans.eachSide;
import static palmtally.core.sequence.Plans.once;
import static palmtally.core.sequence.Plans.step;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import palmtally.core.body.Position;
import palmtally.core.body.Zone;
import palmtally.core.finding.Finding;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Block;
import palmtally.core.sequence.Importance;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Plans;
import palmtally.core.sequence.Plans.Made;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Stint;
import palmtally.core.sequence.Timeline;
import palmtally.core.sequence.check.Checks;
import palmtally.core.sequence.check.Found;
import palmtally.core.sequence.check.WarmUp;
import palmtally.core.technique.Dose;
import palmtally.core.technique.Tool;

class FitTest {
    private static final Profile A = Profile.bySeconds();

    /** Every choice of dropped steps and doses there is, the most valuable first, on the real timeline and before the real checks. */
    static double bruteForce(Sequence plan, Profile profile, double slot) {
        var items = new ArrayList<Item>();
        for (var pass : Stint.passes(plan)) for (var s : pass.steps()) items.add(new Item(s));
        var allowed = Soundness.grave(plan, profile);
        var all = new ArrayList<int[]>();
        choices(items, new int[items.size()], 0, all);
        all.sort(java.util.Comparator.comparingDouble((int[] levels) -> -value(items, levels)));
        for (var levels : all) if (sound(plan, profile, slot, items, levels, allowed)) return value(items, levels);
        return -1;
    }

    private static void choices(List<Item> items, int[] levels, int at, List<int[]> all) {
        if (at == items.size()) {
            all.add(levels.clone());
            return;
        }
        for (int level = items.get(at).must() ? 1 : 0;
                level <= items.get(at).doses.size();
                level++) {
            levels[at] = level;
            choices(items, levels, at + 1, all);
        }
    }

    static double value(List<Item> items, int[] levels) {
        double value = 0;
        for (int i = 0; i < levels.length; i++) if (levels[i] > 0) value += items.get(i).value[levels[i] - 1];
        return value;
    }

    private static boolean sound(
            Sequence plan, Profile profile, double slot, List<Item> items, int[] levels, List<Finding> allowed) {
        var kept = new HashSet<String>();
        double least = 0;
        for (int i = 0; i < levels.length; i++)
            if (levels[i] > 0) {
                kept.add(items.get(i).step.id());
                if (!items.get(i).step.technique().stroke().passiveModality())
                    least += items.get(i).seconds[levels[i] - 1];
            }
        if (kept.isEmpty() || least > slot + 1e-6) return false;
        for (var item : items)
            if (!kept.contains(item.step.id()) && item.step.before().stream().anyMatch(kept::contains)) return false;
        for (var item : items)
            if (kept.contains(item.step.id())
                    && !item.must()
                    && item.step.phase() == Phase.WARM
                    && item.step.before().size() == 1
                    && !kept.contains(item.step.before().get(0))) return false;
        var fitted = Chosen.applied(plan, items, levels);
        if (Timeline.of(fitted, profile).totalSeconds() > slot + 1e-6) return false;
        return Soundness.added(Soundness.grave(fitted, profile), allowed).isEmpty();
    }

    private static final Zone[] ZONES = {
        Zone.HAMSTRINGS, Zone.CALF, Zone.LUMBAR, Zone.GLUTEALS, Zone.NECK_BACK, Zone.SOLE
    };

    static Sequence random(long seed) {
        var chance = new Random(seed);
        int n = 2 + chance.nextInt(3);
        var blocks = new ArrayList<Block>();
        var held = new ArrayList<Made>();
        int made = 0;
        for (int i = 0; i < n; i++) {
            var zone = ZONES[chance.nextInt(chance.nextBoolean() ? 2 : ZONES.length)];
            var s = step("s" + made++).on(zone);
            int kind = chance.nextInt(8);
            if (kind <= 3) s.dose(Dose.seconds(10 * (1 + chance.nextInt(5)))).deep(2);
            else if (kind == 4)
                s.technique("fist-glide").with(Tool.LOOSE_FIST).deep(4).dose(Dose.passes(2 + chance.nextInt(3), 10));
            else if (kind == 5) s.technique("petrissage").deep(3).seconds(20 + 10 * chance.nextInt(4));
            else if (kind == 6)
                s.technique("trigger-point").with(Tool.SUPPORTED_THUMB).deep(4).dose(Dose.holds(2, 9));
            else s.technique("cold").deep(1).seconds(30);
            if (chance.nextInt(3) == 0) s.oiled();
            if (chance.nextInt(4) == 0) s.sheet(Sheet.THROUGH);
            if (chance.nextInt(4) == 0) s.say(SayKind.PRESSURE_QUESTION);
            if (chance.nextInt(4) == 0) s.say(SayKind.CONSENT);
            if (chance.nextInt(6) == 0) s.lying(Position.SUPINE);
            s.importance(Importance.values()[chance.nextInt(3)]);
            if (chance.nextInt(5) == 0 && i + 1 < n) s.before("s" + made);
            held.add(s);
            if (chance.nextInt(3) == 0 || i + 1 == n) {
                boolean each = chance.nextBoolean();
                for (var m : held)
                    m.side(
                            each
                                    ? (chance.nextInt(4) == 0 ? Sides.BOTH : Sides.EACH)
                                    : Sides.values()[chance.nextInt(5)]);
                blocks.add(block(
                        "b" + blocks.size(),
                        Block.Order.IN_ORDER,
                        each ? Block.Repeat.EACH_SIDE : Block.Repeat.ONCE,
                        held.toArray(Made[]::new)));
                held.clear();
            }
        }
        return Plans.of(3600, blocks.toArray(Block[]::new));
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.35, 0.5, 0.65, 0.8, 0.95, 1.1})
    void is_the_best_that_trying_every_plan_finds(double share) {
        for (long seed = 0; seed < 25; seed++) {
            var plan = random(seed);
            double slot = Math.max(20, share * Timeline.of(plan, A).totalSeconds());
            double best = bruteForce(plan, A, slot);
            var fit = Fit.to(plan, A, slot);
            assertThat(fit.proven()).isTrue();
            assertThat(fit.found()).as("seed %d, slot %s", seed, slot).isEqualTo(best >= 0);
            if (!fit.found()) {
                assertThat(fit.missingSeconds()).as("missing, seed %d", seed).isGreaterThanOrEqualTo(0);
                continue;
            }
            assertThat(fit.value()).as("seed %d, slot %s", seed, slot).isCloseTo(best, within(1e-9));
            assertThat(fit.afterSeconds()).isLessThanOrEqualTo(slot + 1e-6);
            assertThat(Soundness.added(Soundness.grave(fit.sequence(), A), Soundness.grave(plan, A)))
                    .isEmpty();
        }
    }

    /** Once a step of a block that turns is dropped, its pass may end before its neighbour's: fewer turns, and room for more. */
    @ParameterizedTest
    @ValueSource(doubles = {0.25, 0.35, 0.5, 0.65})
    void a_block_that_turns_no_more_is_a_pass_of_its_own(double share) {
        for (long seed = 0; seed < 40; seed++) {
            var plan = turning(seed);
            double slot = share * Timeline.of(plan, A).totalSeconds();
            double best = bruteForce(plan, A, slot);
            var fit = Fit.to(plan, A, slot);
            assertThat(fit.found()).as("seed %d, slot %s", seed, slot).isEqualTo(best >= 0);
            if (best >= 0)
                assertThat(fit.value()).as("seed %d, slot %s", seed, slot).isCloseTo(best, within(1e-9));
        }
    }

    /** Neighbouring blocks on each side, of which the first, or the second of three, lies prone and supine. */
    static Sequence turning(long seed) {
        var chance = new Random(seed);
        int n = 2 + chance.nextInt(2);
        var blocks = new ArrayList<Block>();
        for (int b = 0; b < n; b++) {
            boolean turns = b == n - 2;
            var steps = new Made[turns || n == 2 ? 2 : 1];
            for (int i = 0; i < steps.length; i++) {
                steps[i] = step("s" + b + i)
                        .on(ZONES[chance.nextInt(ZONES.length)])
                        .deep(2)
                        .seconds(10 + 10 * chance.nextInt(3))
                        .side(Sides.EACH)
                        .importance(Importance.values()[chance.nextInt(3)]);
                if (chance.nextInt(3) == 0) steps[i].oiled();
                if (turns ? i == 1 : chance.nextBoolean()) steps[i].lying(Position.SUPINE);
            }
            blocks.add(block("b" + b, Block.Order.IN_ORDER, Block.Repeat.EACH_SIDE, steps));
        }
        return Plans.of(3600, blocks.toArray(Block[]::new));
    }

    /** With nine blocks that turn there are too many ways to lie for all to be tried: a plan is found, and not called the best. */
    @Test
    void does_not_call_the_best_what_it_could_not_try() {
        var blocks = new ArrayList<Block>();
        for (int b = 0; b < 9; b++) {
            blocks.add(block(
                    "b" + b,
                    Block.Order.IN_ORDER,
                    Block.Repeat.EACH_SIDE,
                    step("p" + b).side(Sides.EACH).seconds(30),
                    step("s" + b).side(Sides.EACH).seconds(30).lying(Position.SUPINE)));
            var plan = Plans.of(3600, blocks.toArray(Block[]::new));
            var fit = Fit.to(plan, A, 300);
            assertThat(fit.found()).isTrue();
            assertThat(fit.proven()).as("%d blocks", b + 1).isEqualTo(b < 3);
        }
    }

    /** A warm-up that was put in for a stroke goes with it: alone it would be worth its seconds, and nothing to anybody. */
    @Test
    void drops_a_warm_up_with_what_it_was_put_in_for() {
        var plan = Plans.of(
                600,
                block(
                        "b",
                        Block.Order.IN_ORDER,
                        Block.Repeat.ONCE,
                        step("glide").on(Zone.CALF).deep(2).seconds(60).importance(Importance.MUST),
                        step("firm")
                                .on(Zone.HAMSTRINGS)
                                .technique("fist-glide")
                                .deep(4)
                                .seconds(60)
                                .phase(Phase.TREAT)
                                .importance(Importance.COULD)));
        var warmed = Checks.run(plan, A).found().stream()
                .filter(f -> f.finding().rule() == WarmUp.RULE)
                .findFirst()
                .flatMap(Found::mend)
                .orElseThrow()
                .apply(plan);
        assertThat(warmed.steps()).extracting(Step::id).containsExactly("glide", "warm-up-1", "firm");
        var fit = Fit.to(warmed, A, 110);
        assertThat(fit.sequence().steps()).extracting(Step::id).containsExactly("glide");
        assertThat(Fit.to(warmed, A, 600).sequence().steps()).hasSize(3);
    }

    /** Where the first walk keeps one plan alone, what is dropped is dropped by the bound. */
    @ParameterizedTest
    @ValueSource(doubles = {0.4, 0.6, 0.8, 0.95})
    void drops_by_its_bound_nothing_that_trying_every_plan_finds(double share) {
        for (long seed = 100; seed < 130; seed++) {
            var plan = random(seed);
            double slot = Math.max(20, share * Timeline.of(plan, A).totalSeconds());
            double best = bruteForce(plan, A, slot);
            var fit = Fit.to(plan, A, slot, 1);
            assertThat(fit.found()).as("seed %d, slot %s", seed, slot).isEqualTo(best >= 0);
            if (fit.found())
                assertThat(fit.value()).as("seed %d, slot %s", seed, slot).isCloseTo(best, within(1e-9));
        }
    }

    @Tag("slow")
    @ParameterizedTest
    @ValueSource(doubles = {0.4, 0.6, 0.8})
    void finds_the_same_however_much_the_first_walk_kept(double share) {
        for (long seed = 0; seed < 6; seed++) {
            var long_ = eighty(seed, seed % 2 == 0);
            var plan = Plans.of(5400, long_.blocks().subList(0, 2).toArray(Block[]::new));
            double slot = share * Timeline.of(plan, A).totalSeconds();
            var wide = Fit.to(plan, A, slot, 100_000);
            for (int width : new int[] {1, 20}) {
                var narrow = Fit.to(plan, A, slot, width);
                assertThat(narrow.proven()).isTrue();
                assertThat(narrow.value())
                        .as("seed %d, slot %s, width %d", seed, slot, width)
                        .isCloseTo(wide.value(), within(1e-9));
            }
        }
    }

    /** Eighty steps over eight zones, as a long class would have them. */
    static Sequence eighty(long seed, boolean allAlike) {
        var chance = new Random(seed);
        var zones = new Zone[] {
            Zone.UPPER_BACK,
            Zone.LUMBAR,
            Zone.SHOULDER_BLADE,
            Zone.HAMSTRINGS,
            Zone.CALF,
            Zone.ACHILLES,
            Zone.SOLE,
            Zone.NECK_BACK
        };
        var blocks = new ArrayList<Block>();
        int made = 0;
        for (int b = 0; b < 10; b++) {
            var zone = zones[b % zones.length];
            var steps = new Made[8];
            for (int i = 0; i < 8; i++) {
                var s = step("s" + made++).on(zone).side(Sides.EACH);
                if (i < 3) s.deep(2).seconds(allAlike ? 40 : 30 + 5 * chance.nextInt(8));
                else if (i < 6 && zone != Zone.ACHILLES)
                    s.technique("fist-glide")
                            .with(Tool.LOOSE_FIST)
                            .deep(4)
                            .dose(Dose.passes(allAlike ? 4 : 3 + chance.nextInt(4), 10));
                else s.deep(2).seconds(allAlike ? 40 : 20 + 5 * chance.nextInt(8));
                s.importance(allAlike ? Importance.SHOULD : Importance.values()[chance.nextInt(3)]);
                if (i > 0 && chance.nextInt(6) == 0) steps[i - 1].before("s" + (made - 1));
                if (i % 3 == 0) s.oiled();
                steps[i] = s;
            }
            blocks.add(block(
                    "b" + b, Block.Order.IN_ORDER, b % 3 == 2 ? Block.Repeat.ONCE : Block.Repeat.EACH_SIDE, steps));
        }
        return Plans.of(5400, blocks.toArray(Block[]::new));
    }

    @Tag("slow")
    @Test
    void eighty_steps_are_fitted_and_proven() {
        for (long seed = 0; seed < 1; seed++)
            for (double share : new double[] {0.5, 0.7, 0.9}) {
                var plan = eighty(seed, false);
                double slot = share * Timeline.of(plan, A).totalSeconds();
                var fit = Fit.to(plan, A, slot);
                assertThat(fit.proven()).isTrue();
                assertThat(fit.found()).isTrue();
                assertThat(fit.afterSeconds()).isBetween(0.9 * slot, slot + 1e-6);
            }
    }

    @Test
    void a_plan_that_fits_keeps_every_target() {
        var plan = eachSide(step("a").seconds(60), step("b").seconds(62));
        var fit = Fit.to(plan, A, 3600);
        assertThat(fit.value()).isCloseTo(fit.mostValue(), within(1e-9));
        assertThat(fit.sequence()).isEqualTo(plan);
        assertThat(fit.changes()).extracting(Fit.StepFit::what).containsOnly(Fit.What.KEPT);
    }

    @Test
    void what_a_fit_took_the_next_gives_back() {
        var plan = eachSide(step("a").seconds(60), step("b").seconds(90));
        var shorter = Fit.to(plan, A, 250).sequence();
        assertThat(shorter).isNotEqualTo(plan);
        var back = Fit.to(shorter, A, 3600).sequence();
        assertThat(back.steps()).extracting(s -> s.dose().totalSeconds()).containsExactly(60.0, 90.0);
    }

    @Test
    void what_must_be_kept_and_does_not_fit_is_told_with_the_seconds_that_are_missing() {
        var plan = once(
                step("a").seconds(100).least(80).importance(Importance.MUST).side(Sides.EACH),
                step("b").seconds(300).least(200).importance(Importance.MUST).side(Sides.RIGHT),
                step("c").seconds(50));
        var fit = Fit.to(plan, A, 200);
        // 2 × 80 + 200, the sheet opened three times, two walks round the table (the second side, and back)
        assertThat(fit.found()).isFalse();
        assertThat(fit.missingSeconds()).isCloseTo(360 + 75 + 10 - 200, within(1e-6));
        assertThat(fit.heaviest()).extracting(Fit.Heavy::step).containsExactly("b", "a");
        assertThat(fit.heaviest().get(1).seconds()).isEqualTo(160);
        assertThat(fit.sequence()).isEqualTo(plan);
    }

    @Test
    void both_sides_get_the_same() {
        var plan = eachSide(
                step("a").seconds(60).second(Dose.seconds(20)), step("b").seconds(60));
        var fit = Fit.to(plan, A, 220);
        assertThat(fit.sequence().steps())
                .allSatisfy(s -> assertThat(s.secondSide()).isNull());
    }
}
