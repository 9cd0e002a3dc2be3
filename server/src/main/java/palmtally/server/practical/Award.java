package palmtally.server.practical;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import palmtally.core.finding.Criterion;

/**
 * What a grader made of the computed scores; kept beside them.
 *
 * @param criteria criteria changed by the grader
 * @param struck critical findings that do not stand
 * @param confirmed keys of critical findings that stand
 */
public record Award(
        Map<Criterion, Change> criteria,
        List<Struck> struck,
        List<String> confirmed,
        String feedback,
        boolean released) {
    /** A criterion at another value than computed, and why. */
    public record Change(@Nullable Double value, @Nullable String reason) {}

    /** A critical finding that does not stand, and why. */
    public record Struck(@Nullable String key, @Nullable String reason) {}

    public Award {
        criteria = criteria == null ? Map.of() : Map.copyOf(criteria);
        struck = struck == null ? List.of() : List.copyOf(struck);
        confirmed = confirmed == null ? List.of() : List.copyOf(confirmed);
        feedback = feedback == null ? "" : feedback;
    }
}
