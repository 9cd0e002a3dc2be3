package palmtally.core.practical;

import java.util.List;
import org.jspecify.annotations.Nullable;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding;
import palmtally.core.finding.Spoken;

/**
 * One criterion, scored.
 *
 * @param score 0–100, or null where nothing was observed
 * @param why why there is no score, or null
 * @param applicable false where nothing asked for this criterion, so that its absence is not an incomplete outcome
 * @param parts what the score is made of, in a stable order
 * @param observations number of observations it rests on
 * @param interval Wilson interval of the clean looks, percent, or null where it does not apply
 * @param questions what only the grader can say; while one stands there is no score
 */
public record Scored(
        Criterion criterion,
        @Nullable Double score,
        @Nullable String why,
        boolean applicable,
        List<Part> parts,
        List<Finding> findings,
        int observations,
        @Nullable Interval interval,
        List<Question> questions) {
    /**
     * A part of a score.
     *
     * @param value 0–1, or null where it was not observed
     * @param weight share in the mean of the observed parts, before it is made to sum to 1
     * @param events ids of the events it rests on
     */
    public record Part(String name, @Nullable Double value, double weight, String explanation, List<String> events) {
        public Part {
            // Nothing taken off is nothing, and not less than nothing: a database tells no −0 from 0.
            if (value != null) value += 0.0;
            events = List.copyOf(events);
        }
    }

    /** From–to in percent. */
    public record Interval(double low, double high) {}

    public Scored {
        // Shares that sum to 1 may sum to a hair more.
        if (score != null) score = Math.max(0, Math.min(100, score));
        parts = List.copyOf(parts);
        findings = List.copyOf(findings);
        questions = List.copyOf(questions);
    }

    static Scored unseen(Criterion criterion, String why, List<Part> parts, List<Finding> findings) {
        return new Scored(criterion, null, why, true, parts, findings, 0, null, List.of());
    }

    static Scored notAsked(Criterion criterion, String why, List<Finding> findings) {
        return new Scored(criterion, null, why, false, List.of(), findings, 0, null, List.of());
    }

    /** The same where something is asked of the grader first: it waits for the answer, where it is asked at all. */
    Scored waitingFor(List<Question> asked) {
        if (asked.isEmpty()) return this;
        return new Scored(
                criterion,
                null,
                applicable ? Spoken.counted(asked.size(), "question") + " at review" : why,
                applicable,
                parts,
                findings,
                observations,
                interval,
                asked);
    }

    /** How much a criterion rests on, and what of it there must be. */
    record Rests(Criterion criterion, double observed, int due, String of) {
        /** Observations that make a score: the profile's least, or all that fell due where that is fewer; half of it in a part. */
        int needed(Practical practical) {
            int least = practical.profile().marking().least().getOrDefault(criterion, 1);
            if (practical.extent().part()) least = (least + 1) / 2;
            return Math.max(1, Math.min(least, due));
        }
    }

    /**
     * A score where enough was seen of what fell due: nothing due is not asked, too little seen is not observed.
     *
     * @param score 0–100 by what was seen
     */
    static Scored of(
            Practical practical,
            Rests rests,
            double score,
            List<Part> parts,
            List<Finding> findings,
            @Nullable Interval interval) {
        int seen = (int) Math.floor(rests.observed);
        if (rests.due == 0 && rests.observed == 0)
            return notAsked(rests.criterion, "nothing called for " + rests.of, findings);
        int needed = rests.needed(practical);
        if (rests.observed < needed)
            return new Scored(
                    rests.criterion,
                    null,
                    "too little seen: " + Spoken.number(rests.observed) + " of " + needed + " " + rests.of,
                    true,
                    parts,
                    findings,
                    seen,
                    interval,
                    List.of());
        return new Scored(rests.criterion, score, null, true, parts, findings, seen, interval, List.of());
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
