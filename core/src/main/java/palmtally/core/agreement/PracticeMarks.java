package palmtally.core.agreement;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.DoubleStream;
import org.hipparchus.util.FastMath;
import org.jspecify.annotations.Nullable;
import palmtally.core.Sums;
import palmtally.core.finding.Criterion;
import palmtally.core.practical.Outcome.Band;

/**
 * A new grader's marks of a recorded run beside the school's own of the same run. One run says little of a grader: it shows where to talk,
 * and somebody decides.
 *
 * @param each a line a criterion that both marked
 * @param bias mean of own less school's, points: above nothing is milder than the school; null where no criterion has both
 * @param apart mean distance, points, or null
 */
public record PracticeMarks(
        List<Line> each, @Nullable Double bias, @Nullable Double apart) {
    /** So many points apart is close: half a band (common practice, no source). */
    public static final double CLOSE = 10;

    /**
     * One criterion.
     *
     * @param by own less school's, points
     */
    public record Line(Criterion criterion, double school, double own, double by) {
        /** Points apart, whichever way. */
        public double away() {
            return Math.abs(by);
        }

        public boolean close() {
            return away() <= CLOSE;
        }

        /** Whether both would call it the same: fluent, competent, emerging, not yet. */
        public boolean sameBand() {
            return Band.of(school) == Band.of(own);
        }
    }

    /** Compares marks 0 to 100; a criterion that one of them did not mark is left out. */
    public static PracticeMarks of(Map<Criterion, Double> school, Map<Criterion, Double> own) {
        var each = new ArrayList<Line>();
        for (var c : Criterion.values()) {
            var theirs = school.get(c);
            var mine = own.get(c);
            if (theirs != null && mine != null) each.add(new Line(c, theirs, mine, mine - theirs));
        }
        return new PracticeMarks(
                List.copyOf(each),
                mean(each.stream().mapToDouble(Line::by)),
                mean(each.stream().mapToDouble(Line::away)));
    }

    private static @Nullable Double mean(DoubleStream all) {
        var mean = Sums.mean(all);
        return mean.isPresent() ? mean.getAsDouble() : null;
    }

    public int close() {
        return (int) each.stream().filter(Line::close).count();
    }

    /** How it lies with the school's marks, in a sentence or two. */
    public String sentence() {
        if (each.isEmpty()) return "No criterion was marked by both.";
        var far = each.stream().filter(l -> !l.close()).toList();
        var said = new StringBuilder("Close to the school in " + close() + " of " + each.size() + ".");
        for (var l : far)
            said.append(' ')
                    .append(l.criterion.label())
                    .append(": ")
                    .append(FastMath.round(l.away()))
                    .append(l.by > 0 ? " points milder." : " points stricter.");
        return said.toString();
    }
}
