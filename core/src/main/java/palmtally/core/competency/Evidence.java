package palmtally.core.competency;

import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;

/**
 * One piece of evidence on one criterion in one region.
 *
 * @param source id of the practical it opens to
 * @param week time in weeks since the term began, 0 or more; part weeks count
 * @param day day of the term, so that two pieces of one day are told from two days
 * @param score awarded value where there is one, else computed, 0–100
 * @param weight kind × min(1, observations ÷ enough), above 0, at most 1
 * @param critical whether a critical finding of this criterion stands in it
 */
public record Evidence(String source, double week, int day, double score, double weight, boolean critical) {
    /** Weight of a piece that says nothing but that something critical was seen: the level stays where it was. */
    public static final double HARM_ONLY = 0.001;

    /** What a piece of a kind is worth. */
    public enum Kind {
        PRACTICAL(1),
        SPOT_CHECK(0.5),
        PEER_LOOK(0.25),
        SELF(0);

        private final double weight;

        Kind(double weight) {
            this.weight = weight;
        }

        public double weight() {
            return weight;
        }
    }

    public Evidence {
        if (!(week >= 0))
            throw new InvalidValue("evidence", new Fault("week", String.valueOf(week), "must be 0 or more"));
        if (!(score >= 0 && score <= 100))
            throw new InvalidValue("evidence", new Fault("score", String.valueOf(score), "must be 0 to 100"));
        if (!(weight > 0 && weight <= 1))
            throw new InvalidValue(
                    "evidence", new Fault("weight", String.valueOf(weight), "must be above 0 and at most 1"));
    }

    /** Kind × min(1, observations ÷ enough). */
    public static double weight(Kind kind, int observations, int enough) {
        return kind.weight() * Math.min(1, (double) observations / Math.max(1, enough));
    }
}
