package palmtally.core.practical;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Importance;
import palmtally.core.sequence.PlannedOrder;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Stint;

/**
 * A step that a re-take asks for. Only what did not hold is shown again: steps with something critical, steps a criterion below the
 * cut lost its points at, for a criterion nobody saw the steps it can be seen at; and what a safety rule wants done before them.
 *
 * @param step id of the step
 * @param why one reason after another
 */
public record Again(String step, List<String> why) {
    /**
     * @param outcome what the practical came to; after a pass nothing is shown again
     * @param awarded awarded values by criterion where the grader changed one
     * @param struck keys of findings that do not stand
     * @return in planned order; empty after a pass
     */
    public static List<Again> of(Scores scores, Outcome outcome, Map<Criterion, Double> awarded, Set<String> struck) {
        if (outcome.result() == Outcome.Result.PASS) return List.of();
        var practical = scores.run().practical();
        var brief = practical.brief();
        Map<String, Set<String>> why = new LinkedHashMap<>();
        for (var f : scores.critical())
            if (!struck.contains(f.key()) && f.where().step() != null)
                add(why, f.where().step(), "critical: " + f.rule().meaning());
        for (var c : scores.criteria()) {
            var value = awarded.getOrDefault(c.criterion(), c.score());
            var label = c.criterion().label();
            if (value == null) {
                if (c.applicable())
                    for (var id : seenAt(c.criterion(), brief)) add(why, id, label + " was not observed");
                continue;
            }
            if (value >= practical.profile().marking().cut()) continue;
            var lost = new LinkedHashSet<String>();
            for (var f : c.findings())
                if (f.where().step() != null && f.severity().compareTo(Severity.HINT) > 0 && !struck.contains(f.key()))
                    lost.add(f.where().step());
            for (var id : lost.isEmpty() ? seenAt(c.criterion(), brief) : lost)
                add(why, id, label + " was below the cut");
        }
        warmed(practical, brief, why);
        var ids = new LinkedHashSet<String>();
        brief.forEach(s -> ids.add(s.step().id()));
        return ids.stream()
                .filter(why::containsKey)
                .map(id -> new Again(id, List.copyOf(why.getOrDefault(id, Set.of()))))
                .toList();
    }

    private static void add(Map<String, Set<String>> why, String step, String reason) {
        why.computeIfAbsent(step, s -> new LinkedHashSet<>()).add(reason);
    }

    /** Where a criterion shows: draping where a unit is opened; the rest at what must be done, or at everything. */
    private static Set<String> seenAt(Criterion criterion, List<Stint> brief) {
        var ids = new LinkedHashSet<String>();
        for (var s : brief)
            if (criterion == Criterion.DRAPING
                    ? s.step().sheet() == Sheet.OPEN
                    : s.step().importance() == Importance.MUST) ids.add(s.step().id());
        if (ids.isEmpty()) brief.forEach(s -> ids.add(s.step().id()));
        return ids;
    }

    /** What a safety rule wants before the steps that are shown again comes with them. */
    private static void warmed(Practical practical, List<Stint> brief, Map<String, Set<String>> why) {
        var order = PlannedOrder.of(practical.sequence(), brief, practical.profile());
        var wanted = new TreeSet<Integer>();
        for (int j = 0; j < brief.size(); j++)
            if (why.containsKey(brief.get(j).step().id()))
                for (int i = 0; i < brief.size(); i++) if (order.safety(i, j)) wanted.add(i);
        for (int i : wanted)
            if (!why.containsKey(brief.get(i).step().id()))
                add(why, brief.get(i).step().id(), "warms what comes after it");
    }

    public Again {
        why = List.copyOf(why);
    }
}
