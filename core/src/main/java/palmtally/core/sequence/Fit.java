package palmtally.core.sequence;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.PriorityQueue;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import palmtally.core.finding.Finding;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Profile;
import palmtally.core.technique.Dose;

/**
 * The best plan that fits a time slot. A kept step runs between its minimum and its target dose, in whole units (5 s, passes, holds,
 * breaths), the same on both sides; what must be kept is kept; a kept step keeps its prerequisites; no stop of a rule and no broken
 * prerequisite appears that was not there before. The value of a plan is
 *
 * <pre>Σ weight · (½ + ½ · (dose − minimum) ÷ (target − minimum))</pre>
 *
 * over the kept steps, weight 4 / 2 / 1 for must / should / could; a step whose minimum is its target counts in full.
 *
 * <p>Exact: {@link FitSearch} finds the best plan of a relaxed problem by dynamic programming over the planned order; a plan that
 * the checks refuse is split off by branch and bound, best bound first, until the best one left is accepted.
 *
 * @param found whether there is a plan that fits
 * @param sequence the fitted sequence; the one given where nothing fits
 * @param value value of the fitted plan
 * @param mostValue value if everything had its target dose
 * @param changes what became of each step, in planned order
 * @param missingSeconds how much the least that must be done is over the slot; 0 where a plan fits
 * @param heaviest the steps that must be kept and weigh most, longest first; empty where a plan fits
 * @param proven whether the plan is known to be the best; false only where the search was given up, the plan is then still sound
 */
public record Fit(
        boolean found,
        Sequence sequence,
        double value,
        double mostValue,
        double beforeSeconds,
        double afterSeconds,
        List<StepFit> changes,
        double missingSeconds,
        List<Heavy> heaviest,
        boolean proven) {
    /** What became of a step. */
    public enum What {
        KEPT,
        SHORTENED,
        LENGTHENED,
        DROPPED;

        @Override
        public String toString() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /**
     * @param before seconds a side
     * @param after seconds a side, 0 where it was dropped
     */
    public record StepFit(String step, What what, double before, double after) {}

    /** @param seconds least it takes, all sides together */
    public record Heavy(String step, double seconds) {}

    /** A step with the doses it may get, gentlest first; level 0 of a choice means dropped. */
    static final class Item {
        final Step step;
        final List<Dose> doses = new ArrayList<>();
        final double[] seconds;
        final double[] value;

        Item(Step step) {
            this.step = step;
            double least = step.minimum();
            double target = step.targetSeconds() != null
                    ? step.targetSeconds()
                    : step.dose().totalSeconds();
            doses.addAll(levels(step.dose(), least, target));
            seconds = doses.stream().mapToDouble(Dose::totalSeconds).toArray();
            value = new double[seconds.length];
            double weight = step.importance().weight();
            for (int i = 0; i < value.length; i++) {
                double share =
                        target - least < 1e-9 ? 1 : Math.max(0, Math.min(1, (seconds[i] - least) / (target - least)));
                value[i] = weight * (0.5 + 0.5 * share);
            }
        }

        boolean must() {
            return step.importance() == Importance.MUST;
        }

        private static List<Dose> levels(Dose dose, double least, double target) {
            var all = new ArrayList<Dose>();
            if (dose.kind() == Dose.Kind.SECONDS
                    || dose.kind() == Dose.Kind.UNTIL_SOFT
                    || dose.kind() == Dose.Kind.CYCLES) {
                for (double s = Math.ceil(least / GRID - 1e-9) * GRID; s <= target + 1e-9; s += GRID)
                    if (s > 0) add(all, dose.withTotalSeconds(s), target);
            } else {
                double unit = dose.withTotalSeconds(1e-6).totalSeconds();
                for (int n = (int) Math.max(1, Math.ceil(least / unit - 1e-9)); n * unit <= target + 1e-9; n++)
                    add(all, dose.withTotalSeconds(n * unit), target);
            }
            add(all, dose.withTotalSeconds(target), Double.POSITIVE_INFINITY);
            return all;
        }

        private static void add(List<Dose> all, Dose dose, double most) {
            if (dose.totalSeconds() > most + 1e-9) return;
            if (all.isEmpty() || dose.totalSeconds() > all.get(all.size() - 1).totalSeconds() + 1e-9) all.add(dose);
        }
    }

    static final double GRID = 5;

    /**
     * @param slotSeconds seconds there are, above 0
     */
    public static Fit to(Sequence sequence, Profile profile, double slotSeconds) {
        return to(sequence, profile, slotSeconds, FitSearch.FIRST_WIDTH);
    }

    /** @param firstWidth how many partial plans the first walk keeps; the plan that is found does not depend on it */
    static Fit to(Sequence sequence, Profile profile, double slotSeconds, int firstWidth) {
        var items = new ArrayList<Item>();
        for (var pass : Stint.passes(sequence)) for (var step : pass.steps()) items.add(new Item(step));
        double most =
                items.stream().mapToDouble(i -> i.value[i.value.length - 1]).sum();
        double before = Timeline.of(sequence, profile).totalSeconds();
        var search = new FitSearch(sequence, profile, items, firstWidth);
        var best = search.best(slotSeconds);
        if (best != null) {
            var fitted = best.plan();
            return new Fit(
                    true,
                    fitted,
                    best.value(),
                    most,
                    before,
                    Timeline.of(fitted, profile).totalSeconds(),
                    changes(items, best.levels()),
                    0,
                    List.of(),
                    search.proven());
        }
        double least = search.leastSeconds();
        var heavy = items.stream()
                .filter(Item::must)
                .map(i -> new Heavy(i.step.id(), i.seconds[0] * (i.step.side() == Sides.EACH ? 2 : 1)))
                .sorted(Comparator.comparingDouble(Heavy::seconds).reversed())
                .limit(3)
                .toList();
        return new Fit(
                false,
                sequence,
                0,
                most,
                before,
                before,
                List.of(),
                Math.max(0, least - slotSeconds),
                heavy,
                search.proven());
    }

    private static List<StepFit> changes(List<Item> items, int[] levels) {
        var changes = new ArrayList<StepFit>();
        for (int i = 0; i < levels.length; i++) {
            var step = items.get(i).step;
            double had = step.dose().totalSeconds();
            double gets = levels[i] == 0 ? 0 : items.get(i).seconds[levels[i] - 1];
            var what = levels[i] == 0
                    ? What.DROPPED
                    : gets < had - 1e-9 ? What.SHORTENED : gets > had + 1e-9 ? What.LENGTHENED : What.KEPT;
            changes.add(new StepFit(step.id(), what, had, gets));
        }
        return changes;
    }

    /** The sequence with these levels: dropped steps and links to them gone, both sides alike. */
    static Sequence applied(Sequence sequence, List<Item> items, int[] levels) {
        var dropped = new HashSet<String>();
        var doses = new LinkedHashMap<String, Dose>();
        for (int i = 0; i < levels.length; i++)
            if (levels[i] == 0) dropped.add(items.get(i).step.id());
            else doses.put(items.get(i).step.id(), items.get(i).doses.get(levels[i] - 1));
        if (doses.isEmpty()) return sequence;
        var blocks = new ArrayList<Block>();
        for (var block : sequence.blocks()) {
            var steps = block.steps().stream()
                    .filter(s -> !dropped.contains(s.id()))
                    .map(s -> fitted(s, doses, dropped))
                    .toList();
            if (!steps.isEmpty()) blocks.add(block.withSteps(steps));
            else if (parts(blocks, sequence, block))
                blocks.add(new Block(block.id(), block.name(), block.order(), Block.Repeat.ONCE, steps));
        }
        if (blocks.get(blocks.size() - 1).steps().isEmpty()) blocks.remove(blocks.size() - 1);
        return sequence.withBlocks(blocks);
    }

    /** Whether a block that is left empty keeps two passes apart that would otherwise be run through as one. */
    private static boolean parts(List<Block> before, Sequence sequence, Block empty) {
        if (before.isEmpty() || before.get(before.size() - 1).repeat() == Block.Repeat.ONCE) return false;
        if (empty.repeat() == Block.Repeat.ONCE) return true;
        var position = empty.position();
        return position != null
                && !position.equals(before.get(before.size() - 1).position());
    }

    private static Step fitted(Step step, Map<String, Dose> doses, Set<String> dropped) {
        var dose = doses.get(step.id());
        double target = step.targetSeconds() != null
                ? step.targetSeconds()
                : step.dose().totalSeconds();
        boolean linked = step.before().stream().anyMatch(dropped::contains);
        if (dose == null || dose.equals(step.dose()) && step.secondSide() == null && !linked) return step;
        return step.with(e -> {
            e.before.removeAll(dropped);
            if (dose.equals(step.dose()) && step.secondSide() == null) return;
            // What was aimed at and what still counts stay known, so that the next fit can give back what this one
            // took.
            if (e.minimumSeconds == null) e.minimumSeconds = step.minimum();
            if (e.targetSeconds == null) e.targetSeconds = target;
            e.dose = dose;
            e.secondSide = null;
        });
    }

    /** Stops and broken prerequisites of a plan: what a fit must not add to. */
    static List<Finding> grave(Sequence plan, Profile profile) {
        return Checks.run(plan, profile).findings().stream()
                .filter(f -> f.severity() == Severity.STOP || PREREQUISITES.contains(f.rule()))
                .toList();
    }

    /** Of {@code now} those rules that speak more often than in {@code before}. */
    static Set<Rule> added(List<Finding> now, List<Finding> before) {
        var count = new EnumMap<Rule, Integer>(Rule.class);
        for (var f : now) count.merge(f.rule(), 1, Integer::sum);
        for (var f : before) count.merge(f.rule(), -1, Integer::sum);
        count.values().removeIf(c -> c <= 0);
        return count.keySet();
    }

    private static final Set<Rule> PREREQUISITES = PrerequisiteChecks.BEFORE.stream()
            .map(PrerequisiteChecks.Before::rule)
            .collect(java.util.stream.Collectors.toUnmodifiableSet());

    /** A plan that was found: the level of each item, 0 for dropped. */
    record Chosen(int[] levels, double value, Sequence plan) {}

    /** A part of the choices: bounds of the level of each item. */
    record Box(int[] low, int[] high, double bound, int[] best) {
        static PriorityQueue<Box> queue() {
            return new PriorityQueue<>(Comparator.comparingDouble(Box::bound).reversed());
        }

        @Nullable
        Box with(int item, int lo, int hi) {
            if (lo > hi) return null;
            var l = low.clone();
            var h = high.clone();
            l[item] = Math.max(l[item], lo);
            h[item] = Math.min(h[item], hi);
            return l[item] > h[item] ? null : new Box(l, h, bound, best);
        }
    }
}
