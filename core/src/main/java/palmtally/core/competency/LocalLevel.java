package palmtally.core.competency;

import org.hipparchus.special.Erf;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;

/**
 * Ability as a random walk seen through noise. Between two weeks the variance grows by q a week; a score y of noise variance r moves
 * the mean by the gain K = P ÷ (P + r): m ← m + K(y − m), P ← (1 − K)P. This is the Kalman filter of the local level model (Durbin, J.
 * &amp; Koopman, S. J., Time Series Analysis by State Space Methods, 2001, section 2.2).
 *
 * @param mean ability, 0–100 as scores are
 * @param variance its variance, 0 or more
 */
public record LocalLevel(double mean, double variance) {
    public LocalLevel {
        if (!Double.isFinite(mean))
            throw new InvalidValue("local level", new Fault("mean", String.valueOf(mean), "must be finite"));
        if (!(variance >= 0))
            throw new InvalidValue("local level", new Fault("variance", String.valueOf(variance), "must be 0 or more"));
    }

    /** After some weeks in which nothing was seen. */
    public LocalLevel after(double weeks, double variancePerWeek) {
        if (!(weeks >= 0))
            throw new InvalidValue("local level", new Fault("weeks", String.valueOf(weeks), "must be 0 or more"));
        return new LocalLevel(mean, variance + weeks * variancePerWeek);
    }

    /**
     * After a score was seen.
     *
     * @param noise variance of the score, above 0; a piece of weight w has r ÷ w
     */
    public LocalLevel seeing(double score, double noise) {
        if (!(noise > 0))
            throw new InvalidValue("local level", new Fault("noise", String.valueOf(noise), "must be above 0"));
        double gain = variance / (variance + noise);
        return new LocalLevel(mean + gain * (score - mean), (1 - gain) * variance);
    }

    public double sd() {
        return Math.sqrt(variance);
    }

    /** Probability that ability is at or above a cut: Φ((mean − cut) ÷ sd). */
    public double probabilityAtLeast(double cut) {
        if (variance == 0) return mean >= cut ? 1 : 0;
        return 0.5 * Erf.erfc((cut - mean) / (sd() * Math.sqrt(2)));
    }
}
