package palmtally.core.practical;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;

/**
 * What to do otherwise next time, proposed from the findings of a run: the most serious first, then what came up most often.
 *
 * @param sentence what would mend it, as the finding says it
 * @param times how many findings it would mend
 * @param atMs where it first came up, or null
 */
public record Goal(
        Criterion criterion,
        Rule rule,
        String sentence,
        int times,
        @Nullable Long atMs) {
    /** More than these at once are none. */
    public static final int MOST = 4;

    /** @param struck keys of findings that do not stand */
    public static List<Goal> of(Scores scores, Set<String> struck) {
        Map<Rule, Goal> goals = new LinkedHashMap<>();
        Map<Rule, Severity> worst = new LinkedHashMap<>();
        for (var f : scores.findings()) {
            if (struck.contains(f.key()) || f.remedy().isBlank() || f.severity() == Severity.OFF) continue;
            goals.merge(f.rule(), of(f), (a, b) -> new Goal(a.criterion, a.rule, a.sentence, a.times + 1, a.atMs));
            worst.merge(f.rule(), f.severity(), (a, b) -> a.compareTo(b) >= 0 ? a : b);
        }
        return goals.values().stream()
                .sorted(Comparator.comparing((Goal g) -> worst.getOrDefault(g.rule, Severity.HINT))
                        .reversed()
                        .thenComparing(Comparator.comparingInt(Goal::times).reversed())
                        .thenComparing(Goal::atMs, Comparator.nullsLast(Comparator.naturalOrder()))
                        .thenComparing(Goal::rule))
                .limit(MOST)
                .toList();
    }

    private static Goal of(Finding f) {
        return new Goal(f.rule().criterion(), f.rule(), f.remedy(), 1, f.where().atMs());
    }
}
