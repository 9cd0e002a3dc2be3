package palmtally.core.practical;

import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;

/**
 * Score interval of a proportion. For k of n and z the normal quantile, centre = (p + z²/2n) ÷ (1 + z²/n), half-width = z ÷ (1 +
 * z²/n) · √(p(1−p)/n + z²/4n²), p = k/n. Wilson, E. B. (1927), "Probable inference, the law of succession, and statistical
 * inference", J. Am. Stat. Assoc. 22, 209–212.
 */
public final class WilsonInterval {
    /** 97.5 % quantile of the normal distribution. */
    public static final double Z95 = 1.959963984540054;

    private WilsonInterval() {}

    /**
     * 95 % interval in percent.
     *
     * @param clean successes, 0 to {@code n}
     * @param n trials, at least 1
     * @throws InvalidValue if {@code n} is below 1 or {@code clean} lies outside 0 to n
     */
    public static Scored.Interval of(int clean, int n) {
        if (n < 1) throw new InvalidValue("Wilson interval", new Fault("n", String.valueOf(n), "must be at least 1"));
        if (clean < 0 || clean > n)
            throw new InvalidValue("Wilson interval", new Fault("clean", String.valueOf(clean), "must be 0 to " + n));
        double p = (double) clean / n;
        double z2 = Z95 * Z95;
        double centre = (p + z2 / (2 * n)) / (1 + z2 / n);
        double half = Z95 / (1 + z2 / n) * Math.sqrt(p * (1 - p) / n + z2 / (4.0 * n * n));
        return new Scored.Interval(100 * Math.max(0, centre - half), 100 * Math.min(1, centre + half));
    }
}
