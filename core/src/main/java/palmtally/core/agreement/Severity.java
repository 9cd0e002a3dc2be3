package palmtally.core.agreement;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.hipparchus.distribution.continuous.TDistribution;
import org.hipparchus.stat.regression.SimpleRegression;
import org.hipparchus.util.FastMath;
import palmtally.core.Sums;

/**
 * How a grader's marks lie against those of the others for the same students, and whether they move over the weeks. A mark is
 * compared with the mean of what other graders gave the same student on the same criterion, each moved to the week of the mark by
 * what students gain a week in the others' eyes, so that learning is not taken for mildness. The measure is ours, its interval
 * Student's t.
 *
 * @param severity mean difference in points: below 0 marks lower than others
 * @param drift change of that difference, points a week
 */
public record Severity(String grader, Figure severity, Figure drift) {
    /** Fewer marks that can be compared than this and nothing is said. */
    public static final int NEEDED = 20;

    /** A mark of a grader: 0–100, in a week of the term. */
    public record Mark(String grader, String student, String criterion, double week, double score) {}

    /** Every grader who gave a mark, in order. */
    public static List<Severity> of(List<Mark> marks) {
        record Of(String student, String criterion) {}
        Map<Of, List<Mark>> alike = new HashMap<>();
        Map<String, List<Mark>> byGrader = new TreeMap<>();
        for (var m : marks) {
            alike.computeIfAbsent(new Of(m.student, m.criterion), k -> new ArrayList<>())
                    .add(m);
            byGrader.computeIfAbsent(m.grader, k -> new ArrayList<>()).add(m);
        }
        var all = new ArrayList<Severity>();
        byGrader.forEach((grader, own) -> {
            var differences = new ArrayList<double[]>();
            Map<String, Double> gains = new HashMap<>();
            for (var m :
                    own.stream().sorted(Comparator.comparingDouble(Mark::week)).toList()) {
                double gain = gains.computeIfAbsent(m.criterion, c -> gain(marks, c, grader));
                Sums.mean(alike.getOrDefault(new Of(m.student, m.criterion), List.of()).stream()
                                .filter(o -> !o.grader.equals(grader))
                                .mapToDouble(o -> o.score + gain * (m.week - o.week)))
                        .ifPresent(others -> differences.add(new double[] {m.week, m.score - others}));
            }
            all.add(new Severity(grader, severity(differences), drift(differences)));
        });
        return List.copyOf(all);
    }

    /** Points a week that students gain on a criterion, as each of the other graders sees each of them: pooled slope within those. */
    private static double gain(List<Mark> marks, String criterion, String but) {
        record Eyes(String grader, String student) {}
        Map<Eyes, List<Mark>> groups = new HashMap<>();
        for (var m : marks)
            if (m.criterion.equals(criterion) && !m.grader.equals(but))
                groups.computeIfAbsent(new Eyes(m.grader, m.student), k -> new ArrayList<>())
                        .add(m);
        double xx = 0;
        double xy = 0;
        for (var g : groups.values()) {
            double week = Sums.mean(g.stream().mapToDouble(Mark::week)).orElse(0);
            double score = Sums.mean(g.stream().mapToDouble(Mark::score)).orElse(0);
            for (var m : g) {
                xx += (m.week - week) * (m.week - week);
                xy += (m.week - week) * (m.score - score);
            }
        }
        return xx == 0 ? 0 : xy / xx;
    }

    private static Figure severity(List<double[]> differences) {
        var what = "Severity is how far the marks lie from those of others for the same students and criteria.";
        int n = differences.size();
        if (n < NEEDED) return Figure.few("severity", n, NEEDED, "marks that can be compared", what);
        double mean = Sums.mean(differences.stream().mapToDouble(d -> d[1])).orElseThrow();
        double sd = Math.sqrt(Sums.of(differences.stream().mapToDouble(d -> (d[1] - mean) * (d[1] - mean))) / (n - 1));
        double half = new TDistribution(n - 1).inverseCumulativeProbability(0.975) * sd / Math.sqrt(n);
        return new Figure(
                "severity",
                mean,
                mean - half,
                mean + half,
                n,
                NEEDED,
                what
                        + (Math.abs(mean) <= half
                                ? " Nothing here is told from chance."
                                : " These are " + FastMath.round(Math.abs(mean)) + " points "
                                        + (mean < 0 ? "lower" : "higher") + " than the others’."));
    }

    private static Figure drift(List<double[]> differences) {
        var what = "Drift is how that distance changes with the weeks.";
        int n = differences.size();
        if (n < NEEDED) return Figure.few("drift", n, NEEDED, "marks that can be compared", what);
        var line = new SimpleRegression();
        differences.forEach(d -> line.addData(d[0], d[1]));
        double slope = line.getSlope();
        if (Double.isNaN(slope))
            return Figure.undefined("drift", n, NEEDED, what, "All marks are of one moment, so nothing can drift.");
        double half = line.getSlopeConfidenceInterval(0.05);
        return new Figure(
                "drift",
                slope,
                slope - half,
                slope + half,
                n,
                NEEDED,
                what
                        + (Math.abs(slope) <= half
                                ? " No drift is told from chance."
                                : " The marks "
                                        + (slope < 0 ? "get severer" : "get milder")
                                        + " by "
                                        + FastMath.round(10 * Math.abs(slope)) / 10.0
                                        + " points a week."));
    }
}
