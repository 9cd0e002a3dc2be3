package palmtally.core.practical;

import java.util.List;
import org.jspecify.annotations.Nullable;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding;

/**
 * One criterion, scored.
 *
 * @param score 0–100, or null where nothing was observed
 * @param why why there is no score, or null
 * @param applicable false where nothing asked for this criterion, so that its absence is not an incomplete outcome
 * @param parts what the score is made of, in a stable order
 * @param observations number of observations it rests on
 * @param interval Wilson interval of the clean looks, percent, or null where it does not apply
 */
public record Scored(
        Criterion criterion,
        @Nullable Double score,
        @Nullable String why,
        boolean applicable,
        List<Part> parts,
        List<Finding> findings,
        int observations,
        @Nullable Interval interval) {
    /**
     * A part of a score.
     *
     * @param value 0–1, or null where it was not observed
     * @param weight share in the mean of the observed parts, before it is made to sum to 1
     * @param events ids of the events it rests on
     */
    public record Part(String name, @Nullable Double value, double weight, String explanation, List<String> events) {
        public Part {
            events = List.copyOf(events);
        }
    }

    /** From–to in percent. */
    public record Interval(double low, double high) {}

    public Scored {
        parts = List.copyOf(parts);
        findings = List.copyOf(findings);
    }

    static Scored unseen(Criterion criterion, String why, List<Part> parts, List<Finding> findings) {
        return new Scored(criterion, null, why, true, parts, findings, 0, null);
    }

    /** The weighted mean of the parts with evidence, times 100. */
    static @Nullable Double mean(List<Part> parts) {
        double sum = 0;
        double weights = 0;
        for (var part : parts)
            if (part.value() != null && part.weight() > 0) {
                sum += part.weight() * part.value();
                weights += part.weight();
            }
        return weights == 0 ? null : Double.valueOf(100 * sum / weights);
    }
}
