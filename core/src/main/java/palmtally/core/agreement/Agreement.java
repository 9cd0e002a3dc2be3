package palmtally.core.agreement;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.hipparchus.distribution.continuous.TDistribution;
import org.hipparchus.util.FastMath;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.Sums;

/** Whether two or more graders say the same of the same runs. All methods refuse a number on too few cases. */
public final class Agreement {
    /** Fewer pairs than this and a coefficient says more about chance than about graders (common practice, no source). */
    public static final int NEEDED = 10;

    private Agreement() {}

    /** How far apart two categories count. */
    public enum Weights {
        /** Every disagreement the same: Cohen's first kappa. */
        EXACT,
        /** Disagreement grows with the distance. */
        LINEAR,
        /** Disagreement grows with its square. */
        QUADRATIC
    }

    /**
     * Kappa of two graders over ordered categories: 1 − Σ w·observed ÷ Σ w·expected, w the weight of a disagreement (Cohen, J. (1960),
     * "A coefficient of agreement for nominal scales", Educational and Psychological Measurement 20, 37–46; weighted: Cohen, J. (1968),
     * Psychological Bulletin 70, 213–220).
     *
     * @param first categories from 0, one a run
     * @param second of the same runs, in the same order
     * @param categories how many there are
     * @return NaN where both give every run the same category
     */
    public static double kappa(int[] first, int[] second, int categories, Weights weights) {
        same(first.length, second.length);
        double n = first.length;
        var observed = new double[categories][categories];
        var one = new double[categories];
        var two = new double[categories];
        for (int i = 0; i < first.length; i++) {
            observed[first[i]][second[i]] += 1 / n;
            one[first[i]] += 1 / n;
            two[second[i]] += 1 / n;
        }
        double seen = 0;
        double chance = 0;
        for (int i = 0; i < categories; i++)
            for (int j = 0; j < categories; j++) {
                double d = Math.abs(i - j);
                double w = switch (weights) {
                    case EXACT -> d == 0 ? 0 : 1;
                    case LINEAR -> d;
                    case QUADRATIC -> d * d;
                };
                seen += w * observed[i][j];
                chance += w * one[i] * two[j];
            }
        return chance == 0 ? Double.NaN : 1 - seen / chance;
    }

    /** Two-way mean squares of runs × graders. */
    private record Squares(int runs, int graders, double betweenRuns, double betweenGraders, double residual) {
        static Squares of(double[][] scores) {
            int n = scores.length;
            int k = n == 0 ? 0 : scores[0].length;
            for (var row : scores) same(k, row.length);
            double all = Sums.mean(Arrays.stream(scores).flatMapToDouble(Arrays::stream))
                    .orElse(0);
            double runs = 0;
            double graders = 0;
            double total = 0;
            for (var row : scores) {
                double m = Sums.mean(Arrays.stream(row)).orElse(0);
                runs += k * (m - all) * (m - all);
                for (double x : row) total += (x - all) * (x - all);
            }
            for (int j = 0; j < k; j++) {
                int at = j;
                double m =
                        Sums.mean(Arrays.stream(scores).mapToDouble(r -> r[at])).orElse(0);
                graders += n * (m - all) * (m - all);
            }
            return new Squares(
                    n, k, runs / (n - 1), graders / (k - 1), (total - runs - graders) / ((n - 1.0) * (k - 1.0)));
        }
    }

    /**
     * Intraclass correlation of one grader's score, graders taken at random: ICC(2,1) = (BMS − EMS) ÷ (BMS + (k − 1)·EMS + k·(JMS −
     * EMS) ÷ n) (Shrout, P. E. &amp; Fleiss, J. L. (1979), "Intraclass correlations", Psychological Bulletin 86, 420–428).
     *
     * @param scores runs × graders, two of each at least
     */
    public static double icc21(double[][] scores) {
        var s = Squares.of(scores);
        return (s.betweenRuns - s.residual)
                / (s.betweenRuns + (s.graders - 1) * s.residual + s.graders * (s.betweenGraders - s.residual) / s.runs);
    }

    /** The same for these very graders: ICC(3,1) = (BMS − EMS) ÷ (BMS + (k − 1)·EMS); how severe each is does not count. */
    public static double icc31(double[][] scores) {
        var s = Squares.of(scores);
        return (s.betweenRuns - s.residual) / (s.betweenRuns + (s.graders - 1) * s.residual);
    }

    /**
     * Krippendorff's alpha for interval data: 1 − observed ÷ expected squared difference; graders may be missing (Krippendorff, K.
     * (2011), "Computing Krippendorff's alpha-reliability").
     *
     * @param scores runs × graders, null where one did not mark; runs with fewer than two marks are left out
     * @return NaN where every mark is the same
     */
    public static double alpha(@Nullable Double[][] scores) {
        var units = new ArrayList<double[]>();
        for (var row : scores) {
            var marks = Arrays.stream(row)
                    .filter(java.util.Objects::nonNull)
                    .mapToDouble(Double::doubleValue)
                    .toArray();
            if (marks.length >= 2) units.add(marks);
        }
        double n = units.stream().mapToInt(u -> u.length).sum();
        double observed = 0;
        for (var u : units) {
            double sum = 0;
            for (double a : u) for (double b : u) sum += (a - b) * (a - b);
            observed += sum / (u.length - 1);
        }
        var all = units.stream().flatMapToDouble(Arrays::stream).toArray();
        double expected = 0;
        for (double a : all) for (double b : all) expected += (a - b) * (a - b);
        return expected == 0 ? Double.NaN : 1 - (observed / n) / (expected / (n * (n - 1)));
    }

    /**
     * Mean difference and the limits between which 95 % of differences lie: d̄ ± 1.96·s (Bland, J. M. &amp; Altman, D. G. (1986),
     * "Statistical methods for assessing agreement between two methods of clinical measurement", The Lancet 327, 307–310).
     *
     * @param error half width of the 95 % interval of the mean difference, by Student's t
     */
    public record Limits(double mean, double sd, double low, double high, double error) {
        public static Limits of(double[] first, double[] second) {
            same(first.length, second.length);
            int n = first.length;
            var d = new double[n];
            for (int i = 0; i < n; i++) d[i] = first[i] - second[i];
            double mean = Sums.mean(Arrays.stream(d)).orElse(Double.NaN);
            double sd = Math.sqrt(Sums.of(Arrays.stream(d).map(x -> (x - mean) * (x - mean))) / (n - 1));
            double t = n < 2 ? Double.NaN : new TDistribution(n - 1).inverseCumulativeProbability(0.975);
            return new Limits(mean, sd, mean - 1.96 * sd, mean + 1.96 * sd, t * sd / Math.sqrt(n));
        }
    }

    /**
     * Everything that is said of pairs of marks, in the order it is shown.
     *
     * @param first score of the first grader, one a run
     * @param second of the second, of the same runs
     * @param cut marks at or above it pass
     * @param band the band of a mark, from 0
     */
    public static List<Figure> of(
            double[] first, double[] second, double cut, java.util.function.ToIntFunction<Double> band, int bands) {
        same(first.length, second.length);
        int n = first.length;
        var figures = new ArrayList<Figure>();
        var passed = pairs(first, second, x -> x >= cut ? 1 : 0);
        var banded = pairs(first, second, band);
        figures.add(coefficient(
                "kappa, at the cut",
                n,
                "Kappa is how much more often both are on the same side of the cut than chance would have it.",
                () -> kappa(passed[0], passed[1], 2, Weights.EXACT)));
        figures.add(coefficient(
                "weighted kappa, bands",
                n,
                "Weighted kappa compares the four bands, and counts a far miss more than a near one.",
                () -> kappa(banded[0], banded[1], bands, Weights.QUADRATIC)));
        var table = new double[n][];
        var marks = new Double[n][];
        for (int i = 0; i < n; i++) {
            table[i] = new double[] {first[i], second[i]};
            marks[i] = new Double[] {first[i], second[i]};
        }
        figures.add(coefficient(
                "ICC(2,1)",
                n,
                "ICC(2,1) is the share of the differences between marks that is between the runs, not the graders.",
                () -> icc21(table)));
        figures.add(coefficient(
                "ICC(3,1)",
                n,
                "ICC(3,1) is the same when one grader being severer throughout does not count.",
                () -> icc31(table)));
        figures.add(coefficient(
                "Krippendorff’s alpha",
                n,
                "Alpha is 1 less the disagreement seen over the disagreement of marks drawn at random.",
                () -> alpha(marks)));
        var what =
                "The mean difference says how much higher the first marks; 95 % of differences lie within the limits.";
        if (n < NEEDED) figures.add(Figure.few("mean difference", n, NEEDED, "pairs", what));
        else {
            var l = Limits.of(first, second);
            figures.add(new Figure(
                    "mean difference",
                    l.mean,
                    l.low,
                    l.high,
                    n,
                    NEEDED,
                    what
                            + (Math.abs(l.mean) <= l.error
                                    ? " No difference between the two is told from chance."
                                    : " The first marks " + FastMath.round(Math.abs(l.mean)) + " points "
                                            + (l.mean > 0 ? "higher" : "lower") + " on average.")));
        }
        return List.copyOf(figures);
    }

    private static int[][] pairs(double[] first, double[] second, java.util.function.ToIntFunction<Double> of) {
        return new int[][] {
            Arrays.stream(first).mapToInt(x -> of.applyAsInt(x)).toArray(),
            Arrays.stream(second).mapToInt(x -> of.applyAsInt(x)).toArray()
        };
    }

    private static Figure coefficient(String name, int n, String what, java.util.function.DoubleSupplier value) {
        if (n < NEEDED) return Figure.few(name, n, NEEDED, "pairs", what);
        double v = value.getAsDouble();
        if (Double.isNaN(v))
            return Figure.undefined(
                    name,
                    n,
                    NEEDED,
                    what,
                    "Both put every run in one and the same place, so there is nothing to agree about.");
        return new Figure(name, v, null, null, n, NEEDED, what + " " + says(v));
    }

    /** Words for a coefficient (the usual steps of Landis, J. R. &amp; Koch, G. G. (1977), Biometrics 33, 159–174; from memory). */
    static String says(double v) {
        return v > 0.8
                ? "This is close agreement."
                : v > 0.6
                        ? "This is substantial agreement."
                        : v > 0.4
                                ? "This is moderate agreement: mark some runs together."
                                : "This is little agreement: mark runs together and compare what each saw.";
    }

    private static void same(int a, int b) {
        if (a != b)
            throw new InvalidValue("agreement", new Fault("marks", a + " and " + b, "must be as many of each grader"));
    }
}
