package palmtally.core.competency;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import org.hipparchus.util.FastMath;
import org.jspecify.annotations.Nullable;
import palmtally.core.Sums;
import palmtally.core.finding.Spoken;
import palmtally.core.profile.Growth;
import palmtally.core.profile.Profile;
import palmtally.core.profile.Ways.TermMark;

/**
 * What is known of one student on one criterion in one region at one moment.
 *
 * @param state the first of its precedence that holds
 * @param level ability now, uncertainty grown since the last piece
 * @param secureProbability P(ability ≥ cut) now
 * @param forecast P(ability ≥ cut) at the end of the term, or null before two pieces
 * @param why the state in one sentence a student understands
 * @param history ability after each piece
 */
public record Competency(
        State state,
        LocalLevel level,
        double secureProbability,
        @Nullable Double forecast,
        String why,
        List<Point> history) {
    /** In order of precedence. */
    public enum State {
        OPEN_CRITICAL,
        NOT_SEEN,
        SECURE,
        DUE_AGAIN,
        AT_RISK,
        EMERGING;

        @Override
        public String toString() {
            return name().toLowerCase(Locale.ROOT).replace('_', ' ');
        }
    }

    /** Ability after a piece of evidence. */
    public record Point(Evidence evidence, LocalLevel level) {}

    /**
     * What was known when the term began, from the term before.
     *
     * @param level as it stood, uncertainty grown over the weeks between
     * @param days on how many days it was seen
     * @param critical whether something critical was still open
     */
    public record Carried(LocalLevel level, int days, boolean critical) {}

    /** On how many days of this term it was seen. */
    public int days() {
        return (int) history.stream()
                .map(Point::evidence)
                .filter(e -> e.weight() > Evidence.HARM_ONLY)
                .map(Evidence::day)
                .distinct()
                .count();
    }

    /** Damping of the trend a week, and prior standard deviation of a slope, points a week (both ours). */
    static final double DAMPING = 0.8;

    static final double SLOPE_SD = 2;

    /**
     * @param pieces in any order
     * @param nowWeek weeks since the term began, not before the last piece
     * @param termWeeks length of the term
     */
    public static Competency of(List<Evidence> pieces, double nowWeek, double termWeeks, Profile profile) {
        return of(pieces, null, nowWeek, termWeeks, profile);
    }

    /** @param carried what the term began with, or null for a school's expectation of somebody nobody has seen */
    public static Competency of(
            List<Evidence> pieces, @Nullable Carried carried, double nowWeek, double termWeeks, Profile profile) {
        var growth = profile.growth();
        double cut = profile.marking().cut();
        var sorted = pieces.stream()
                .sorted(Comparator.comparingDouble(Evidence::week).thenComparing(Evidence::source))
                .toList();
        var level = carried == null
                ? new LocalLevel(growth.priorMean(), growth.priorSd() * growth.priorSd())
                : carried.level;
        var history = new ArrayList<Point>();
        var days = new HashSet<Integer>();
        // What nobody has seen is no surer at the term's beginning than when it is first looked at; what was carried
        // over fades.
        double at = carried != null || sorted.isEmpty() ? 0 : sorted.get(0).week();
        boolean known = carried != null || !sorted.isEmpty();
        for (var e : sorted) {
            level = level.after(e.week() - at, growth.variancePerWeek())
                    .seeing(e.score(), growth.scoreVariance() / e.weight());
            at = e.week();
            if (e.weight() > Evidence.HARM_ONLY) days.add(e.day());
            history.add(new Point(e, level));
        }
        int seenDays = days.size() + (carried == null ? 0 : carried.days);
        boolean secureBefore = carried != null
                && sorted.isEmpty()
                && carried.days >= 2
                && carried.level.probabilityAtLeast(cut) >= growth.secureProbability();
        var way = profile.ways().termMark();
        Double mark = way == TermMark.LOCAL_LEVEL || sorted.isEmpty()
                ? null
                : Double.valueOf(mark(sorted, way, growth.fadingShare()));
        boolean wasSecure = secureBefore
                || mark == null && seenDays >= 2 && level.probabilityAtLeast(cut) >= growth.secureProbability();
        var now = !known ? level : level.after(Math.max(0, nowWeek - at), growth.variancePerWeek());
        double p = mark == null ? now.probabilityAtLeast(cut) : mark >= cut ? 1 : 0;
        Double forecast = sorted.size() < 2
                ? null
                : Double.valueOf(
                        forecast(sorted, now, nowWeek, termWeeks, growth).probabilityAtLeast(cut));
        boolean critical = sorted.isEmpty()
                ? carried != null && carried.critical
                : sorted.get(sorted.size() - 1).critical();

        State state;
        String why;
        long unseenWeeks = FastMath.round(nowWeek - at);
        if (critical) {
            state = State.OPEN_CRITICAL;
            why =
                    "Something that can harm or that lacked permission was seen last time; it must be shown clean once more.";
        } else if (!known) {
            state = State.NOT_SEEN;
            why = "Nobody has looked at this yet.";
        } else if (seenDays >= 2 && p >= growth.secureProbability()) {
            state = State.SECURE;
            why = (sorted.isEmpty()
                            ? "Carried over from the term before, and "
                            : "Seen on " + (seenDays == days.size() ? "" : "this term and the one before, ") + seenDays
                                    + " days, and ")
                    + (mark == null
                            ? "clearly at the cut of " + Spoken.number(cut) + "."
                            : "by the " + way.label() + ", " + FastMath.round(mark) + ", at the cut of "
                                    + Spoken.number(cut) + ".");
        } else if (wasSecure) {
            state = State.DUE_AGAIN;
            why = "It was secure when last seen, "
                    + (unseenWeeks == 0 ? "this week" : unseenWeeks == 1 ? "a week ago" : unseenWeeks + " weeks ago")
                    + ", and nobody has looked since. One more good look brings it back.";
        } else if (forecast != null && forecast < 0.5) {
            state = State.AT_RISK;
            why = "At this pace it stays below the cut of " + Spoken.number(cut)
                    + " to the end of the term; it needs another way, soon.";
        } else {
            state = State.EMERGING;
            double last = sorted.isEmpty()
                    ? now.mean()
                    : sorted.get(sorted.size() - 1).score();
            why = seenDays < 2 && last < cut
                    ? "Seen on one day only, at " + Spoken.below(last, cut) + ", below the cut of " + Spoken.number(cut)
                            + "; another day will tell."
                    : seenDays < 2
                            ? "Seen on one day only; a second day is needed before it can be called secure."
                            : mark != null
                                    ? "On its way: the " + way.label() + " is " + FastMath.round(mark) + ", the cut "
                                            + Spoken.number(cut) + "."
                                    : "On its way: seen on " + seenDays + " days, last at "
                                            + (last < cut
                                                    ? Spoken.below(last, cut)
                                                    : String.valueOf(FastMath.round(last)))
                                            + ", the cut " + Spoken.number(cut) + "; it must hold there.";
        }
        if (mark != null) now = new LocalLevel(mark, now.variance());
        return new Competency(state, now, p, forecast, why, List.copyOf(history));
    }

    /**
     * The mark of a term where a school reckons with marks alone and not with a level and its uncertainty: the latest, the best, the
     * mean of the last three, or the fading mean m ← share·score + (1 − share)·m.
     */
    static double mark(List<Evidence> sorted, TermMark way, double share) {
        var scores = sorted.stream().mapToDouble(Evidence::score).toArray();
        int n = scores.length;
        return switch (way) {
            case LATEST, LOCAL_LEVEL -> scores[n - 1];
            case BEST -> Arrays.stream(scores).max().orElseThrow();
            case LAST_THREE ->
                Sums.mean(Arrays.stream(scores, Math.max(0, n - 3), n)).orElseThrow();
            case FADING -> {
                double mean = scores[0];
                for (int i = 1; i < n; i++) mean = share * scores[i] + (1 - share) * mean;
                yield mean;
            }
        };
    }

    /**
     * Ability at the end of the term. With three pieces or more a damped trend is added: weighted least-squares slope b of score on
     * week with squared standard error s², shrunk towards none by SLOPE_SD² ÷ (SLOPE_SD² + s²), times Σ φ^k over the weeks left
     * (damped trend after Gardner, E. S. &amp; McKenzie, E. (1985), Management Science 31, 1237–1246; the shrinkage is ours).
     */
    static LocalLevel forecast(List<Evidence> sorted, LocalLevel now, double nowWeek, double termWeeks, Growth growth) {
        double left = Math.max(0, termWeeks - nowWeek);
        double lift = 0;
        if (sorted.size() >= 3) {
            double w = 0;
            double mx = 0;
            double my = 0;
            for (var e : sorted) {
                w += e.weight();
                mx += e.weight() * e.week();
                my += e.weight() * e.score();
            }
            mx /= w;
            my /= w;
            double sxx = 0;
            double sxy = 0;
            for (var e : sorted) {
                sxx += e.weight() * (e.week() - mx) * (e.week() - mx);
                sxy += e.weight() * (e.week() - mx) * (e.score() - my);
            }
            if (sxx > 0) {
                double error = growth.scoreVariance() / sxx;
                double slope = sxy / sxx * (SLOPE_SD * SLOPE_SD / (SLOPE_SD * SLOPE_SD + error));
                for (int k = 1; k <= Math.floor(left); k++) lift += slope * FastMath.pow(DAMPING, k);
            }
        }
        double mean = Math.min(100, Math.max(0, now.mean() + lift));
        return new LocalLevel(mean, now.after(left, growth.variancePerWeek()).variance());
    }
}
