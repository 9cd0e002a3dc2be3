package palmtally.server.practical;

import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import palmtally.core.finding.Criterion;

/**
 * What a grader made of the computed scores; kept beside them.
 *
 * @param criteria criteria changed by the grader
 * @param struck critical findings that do not stand
 * @param confirmed keys of critical findings that stand
 * @param remarks words tied to moments of the run
 * @param goals what to do otherwise next time
 */
public record Award(
        Map<Criterion, Change> criteria,
        List<Struck> struck,
        List<String> confirmed,
        String feedback,
        boolean released,
        @Nullable List<Remark> remarks,
        @Nullable List<String> goals) {
    /** Words, and the moment of the run they are about, or null for the whole. */
    public record Remark(@Nullable Long atMs, @Nullable String text) {}

    /** A criterion at another value than computed, and why. */
    public record Change(@Nullable Double value, @Nullable String reason) {}

    /** A critical finding that does not stand, and why. */
    public record Struck(@Nullable String key, @Nullable String reason) {}

    public Award {
        criteria = criteria == null ? Map.of() : Map.copyOf(criteria);
        struck = struck == null ? List.of() : List.copyOf(struck);
        confirmed = confirmed == null ? List.of() : List.copyOf(confirmed);
        feedback = feedback == null ? "" : feedback;
        remarks = remarks == null ? List.of() : List.copyOf(remarks);
        goals = goals == null ? List.of() : List.copyOf(goals);
    }

    /** The same, shown to the student. */
    Award releasing() {
        return new Award(criteria, struck, confirmed, feedback, true, remarks, goals);
    }

    /** The same with other marks, and why. */
    Award with(Map<Criterion, Double> marks, String reason) {
        var changed = new EnumMap<Criterion, Change>(Criterion.class);
        changed.putAll(criteria);
        marks.forEach((c, value) -> changed.put(c, new Change(value, reason)));
        return new Award(changed, struck, confirmed, feedback, released, remarks, goals);
    }

    /** Keys of the findings that do not stand. */
    Set<String> struckKeys() {
        var keys = new HashSet<String>();
        for (var s : struck) if (s.key != null) keys.add(s.key);
        return keys;
    }

    /** Awarded values of the criteria that were changed. */
    Map<Criterion, Double> values() {
        var values = new EnumMap<Criterion, Double>(Criterion.class);
        criteria.forEach((c, change) -> {
            if (change.value != null) values.put(c, change.value);
        });
        return values;
    }
}
