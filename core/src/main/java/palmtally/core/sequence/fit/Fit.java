package palmtally.core.sequence.fit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import palmtally.core.Sums;
import palmtally.core.Texts;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Timeline;

/**
 * The best plan that fits a time slot. A kept step runs between its minimum and its target dose, in whole units (5 s, passes, holds,
 * breaths), the same on both sides; what must be kept is kept; a kept step keeps its prerequisites; no stop of a rule and no broken
 * prerequisite appears that was not there before. The value of a plan is
 *
 * <pre>Σ weight · (½ + ½ · (dose − minimum) ÷ (target − minimum))</pre>
 *
 * over the kept steps, weight 4 / 2 / 1 for must / should / could; a step whose minimum is its target counts in full.
 *
 * <p>Exact: {@link Walk} finds the best plan of a relaxed problem by dynamic programming over the planned order; a plan that
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

        private final String word = Texts.word(this);

        @Override
        public String toString() {
            return word;
        }
    }

    /**
     * @param before seconds a side
     * @param after seconds a side, 0 where it was dropped
     */
    public record StepFit(String step, What what, double before, double after) {}

    /** @param seconds least it takes, all sides together */
    public record Heavy(String step, double seconds) {}

    /**
     * @param slotSeconds seconds there are, above 0
     */
    public static Fit to(Sequence sequence, Profile profile, double slotSeconds) {
        return to(sequence, profile, slotSeconds, Search.FIRST_WIDTH);
    }

    /** @param firstWidth how many partial plans the first walk keeps; the plan that is found does not depend on it */
    static Fit to(Sequence sequence, Profile profile, double slotSeconds, int firstWidth) {
        var problems = Problem.all(sequence, profile);
        var items = problems.get(0).items;
        double most = Sums.of(items.stream().mapToDouble(i -> i.value[i.value.length - 1]));
        double before = Timeline.of(sequence, profile).totalSeconds();
        var search = new Search(problems, firstWidth);
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
}
