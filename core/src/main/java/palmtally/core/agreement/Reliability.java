package palmtally.core.agreement;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.hipparchus.stat.regression.SimpleRegression;
import org.hipparchus.util.FastMath;
import palmtally.core.Sums;

/** How much the marks of a practical can be relied on, and where graders' own judgement puts the cut. */
public final class Reliability {
    /** Fewer practicals than this and nothing is said (common practice, no source). */
    public static final int NEEDED = 20;

    /** Rating of the whole that is neither a clear pass nor a clear fail: between "emerging" and "competent". */
    public static final double BORDERLINE = 60;

    private Reliability() {}

    /**
     * Cut by borderline regression: scores on the global ratings, read off at the borderline rating (Kramer, A. et al. (2003), Medical
     * Education 37, 132–139; from memory).
     *
     * @param cut the score at the borderline rating
     * @param error its standard error, of the mean of the line there: s·√(1/n + (x₀ − x̄)² ÷ Sxx)
     * @param slope score points a rating point
     * @param fit R² of the line
     */
    public record Cut(double cut, double error, double slope, double fit) {
        public static Cut of(double[] ratings, double[] scores, double borderline) {
            var line = new SimpleRegression();
            for (int i = 0; i < ratings.length; i++) line.addData(ratings[i], scores[i]);
            double mean = Sums.mean(Arrays.stream(ratings)).orElse(Double.NaN);
            double error = Math.sqrt(line.getMeanSquareError()
                    * (1.0 / ratings.length + (borderline - mean) * (borderline - mean) / line.getXSumSquares()));
            return new Cut(line.predict(borderline), error, line.getSlope(), line.getRSquare());
        }
    }

    /**
     * Cronbach's alpha of the criteria: k ÷ (k − 1)·(1 − Σ item variances ÷ variance of the sum) (Cronbach, L. J. (1951), "Coefficient
     * alpha and the internal structure of tests", Psychometrika 16, 297–334).
     *
     * @param scores practicals × criteria, all there
     * @return NaN where every practical has the same sum
     */
    public static double cronbach(double[][] scores) {
        int k = scores.length == 0 ? 0 : scores[0].length;
        double items = 0;
        for (int j = 0; j < k; j++) {
            int at = j;
            items += variance(Arrays.stream(scores).mapToDouble(r -> r[at]).toArray());
        }
        double total = variance(Arrays.stream(scores)
                .mapToDouble(r -> Sums.of(Arrays.stream(r)))
                .toArray());
        return total == 0 ? Double.NaN : k / (k - 1.0) * (1 - items / total);
    }

    /** Standard error of measurement of the mean of the criteria, points: sd·√(1 − α). */
    public static double sem(double[][] scores) {
        var means = Arrays.stream(scores)
                .mapToDouble(r -> Sums.mean(Arrays.stream(r)).orElse(0))
                .toArray();
        return Math.sqrt(variance(means)) * Math.sqrt(Math.max(0, 1 - cronbach(scores)));
    }

    private static double variance(double[] x) {
        double mean = Sums.mean(Arrays.stream(x)).orElse(0);
        return Sums.of(Arrays.stream(x).map(v -> (v - mean) * (v - mean))) / (x.length - 1);
    }

    /**
     * What is said of the practicals of a sequence.
     *
     * @param ratings one a practical, 0–100
     * @param means mean of its criteria, 0–100
     * @param complete criteria of those practicals that have all five
     * @param cut of the school
     */
    public static List<Figure> of(double[] ratings, double[] means, double[][] complete, double cut) {
        var figures = new ArrayList<Figure>();
        var what =
                "Borderline regression reads the cut off where graders’ own ratings turn from emerging to competent.";
        int n = ratings.length;
        if (n < NEEDED) figures.add(Figure.few("cut by borderline regression", n, NEEDED, "rated practicals", what));
        else if (Arrays.stream(ratings).distinct().count() < 3)
            figures.add(Figure.undefined(
                    "cut by borderline regression",
                    n,
                    NEEDED,
                    what,
                    "Ratings take fewer than three values, so no line can be laid through them."));
        else {
            var c = Cut.of(ratings, means, BORDERLINE);
            figures.add(new Figure(
                    "cut by borderline regression",
                    c.cut,
                    c.cut - 1.96 * c.error,
                    c.cut + 1.96 * c.error,
                    n,
                    NEEDED,
                    what
                            + (Math.abs(c.cut - cut) <= 1.96 * c.error
                                    ? " The school’s cut lies within its error."
                                    : " The school’s cut of " + FastMath.round(cut) + " is "
                                            + (c.cut > cut ? "milder" : "severer") + " than that.")
                            + (c.fit < 0.3 ? " Ratings and scores hardly go together, so trust it little." : "")));
        }
        int m = complete.length;
        var alpha = "Cronbach’s alpha is how far the five criteria of a practical tell the same of a student.";
        var sem = "The standard error of measurement is by how much a mean would differ if the same were graded again.";
        if (m < NEEDED) {
            figures.add(Figure.few("Cronbach’s alpha", m, NEEDED, "complete practicals", alpha));
            figures.add(Figure.few("standard error of measurement", m, NEEDED, "complete practicals", sem));
        } else {
            double a = cronbach(complete);
            if (Double.isNaN(a)) {
                var because = "All practicals have the same mean.";
                figures.add(Figure.undefined("Cronbach’s alpha", m, NEEDED, alpha, because));
                figures.add(Figure.undefined("standard error of measurement", m, NEEDED, sem, because));
            } else {
                double e = sem(complete);
                figures.add(new Figure(
                        "Cronbach’s alpha",
                        a,
                        null,
                        null,
                        m,
                        NEEDED,
                        alpha
                                + (a >= 0.7
                                        ? " The mean of the five can be relied on."
                                        : " The five tell different things: look at each, not at the mean alone.")));
                figures.add(new Figure(
                        "standard error of measurement",
                        e,
                        null,
                        null,
                        m,
                        NEEDED,
                        sem + " A mean within " + Math.max(1, FastMath.round(1.96 * e))
                                + " points of the cut is not told from it."));
            }
        }
        return List.copyOf(figures);
    }
}
