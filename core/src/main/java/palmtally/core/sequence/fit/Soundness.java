package palmtally.core.sequence.fit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import palmtally.core.finding.Finding;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Timeline;
import palmtally.core.sequence.check.Before;
import palmtally.core.sequence.check.Checks;
import palmtally.core.sequence.check.Shared;
import palmtally.core.sequence.check.WarmUp;

/** What a plan must not get worse in: stops, and prerequisites that are broken. */
final class Soundness {
    private final Profile profile;
    private final List<Item> items;
    private final List<Finding> allowed;

    Soundness(Sequence sequence, Profile profile, List<Item> items) {
        this.profile = profile;
        this.items = items;
        allowed = grave(sequence, profile);
    }

    static List<Finding> grave(Sequence plan, Profile profile) {
        var prepared = Checks.prerequisites(profile).stream().map(Before::rule).toList();
        return Checks.run(plan, profile).findings().stream()
                .filter(f -> f.severity() == Severity.STOP || prepared.contains(f.rule()))
                .toList();
    }

    /** Of {@code now} those rules that speak more often than in {@code before}. */
    static Set<Rule> added(List<Finding> now, List<Finding> before) {
        var count = new TreeMap<Rule, Integer>();
        for (var f : now) count.merge(f.rule(), 1, Integer::sum);
        for (var f : before) count.merge(f.rule(), -1, Integer::sum);
        count.values().removeIf(c -> c <= 0);
        return count.keySet();
    }

    /** Whether the plan as it is breaks a rule already: the checks then count, and nothing is asked beforehand. */
    boolean broken(Rule rule) {
        return allowed.stream().anyMatch(f -> f.rule().equals(rule));
    }

    /** Whether the plan as it is goes firm on one of these items without a warm-up. */
    boolean cold(BitSet firm) {
        return allowed.stream()
                .anyMatch(f -> f.rule().equals(WarmUp.RULE)
                        && firm.stream()
                                .anyMatch(i ->
                                        items.get(i).step.id().equals(f.where().step())));
    }

    /** Items that have to do with why a plan is refused, likeliest first; null where it is accepted. */
    @Nullable
    List<Integer> refusal(Sequence plan, int[] levels, double slot) {
        if (Arrays.stream(levels).allMatch(l -> l == 0)) return order(levels, Set.of());
        if (Timeline.of(plan, profile).totalSeconds() > slot + 1e-6) return order(levels, Set.of());
        var now = grave(plan, profile);
        var fresh = added(now, allowed);
        if (fresh.isEmpty()) return null;
        var steps = new HashSet<String>();
        for (var f : now)
            if (fresh.contains(f.rule()) && f.where().step() != null)
                steps.add(f.where().step());
        return order(levels, steps);
    }

    private List<Integer> order(int[] levels, Set<String> steps) {
        var all = new ArrayList<Integer>();
        for (int i = 0; i < items.size(); i++) all.add(i);
        var named = items.stream()
                .map(x -> x.step)
                .filter(s -> steps.contains(s.id()))
                .toList();
        all.sort(Comparator.comparingInt((Integer i) -> {
            var step = items.get(i).step;
            boolean near = named.stream().anyMatch(s -> Shared.REGION.by(s, step));
            int rank = steps.contains(step.id()) ? 1 : levels[i] == 0 ? 0 : 2;
            return rank + (near ? 0 : 3);
        }));
        return all;
    }
}
