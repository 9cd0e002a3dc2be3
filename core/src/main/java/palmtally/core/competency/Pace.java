package palmtally.core.competency;

import java.util.ArrayList;
import java.util.List;
import org.hipparchus.util.FastMath;
import org.jspecify.annotations.Nullable;
import palmtally.core.competency.Competency.State;
import palmtally.core.profile.Profile;

/**
 * What would have to be seen, and by when, for a criterion to be secure at the end of the term.
 *
 * @param looks how many good looks, one a week at most, or null where there is no time for enough
 * @param score what each of them shows at least, 0–100
 * @param firstByWeek the first in this week of the term at the latest, from 1, or null with looks
 * @param why one sentence
 */
public record Pace(
        @Nullable Integer looks, double score, @Nullable Integer firstByWeek, String why) {
    /** Lower end of the band "fluent", which a good look reaches. */
    public static final double GOOD = 80;

    private static final int MOST = 12;

    /**
     * Found by trying: so many good looks a week apart, the last in the last week, are put behind what was seen, until it is secure.
     *
     * @param pieces as they were given to {@link Competency#of}
     * @return null for what is secure now
     */
    public static @Nullable Pace of(
            List<Evidence> pieces,
            Competency.@Nullable Carried carried,
            double nowWeek,
            double termWeeks,
            Profile profile) {
        if (Competency.of(pieces, carried, nowWeek, termWeeks, profile).state() == State.SECURE) return null;
        double good = Math.max(GOOD, Math.min(100, profile.marking().cut() + 5));
        int left = (int) Math.floor(termWeeks - nowWeek) + 1;
        for (int n = 1; n <= Math.min(MOST, left); n++)
            if (after(pieces, carried, n, good, nowWeek, termWeeks, profile).state() == State.SECURE) {
                int first = Math.max((int) Math.floor(nowWeek), (int) Math.floor(termWeeks) - n) + 1;
                return new Pace(
                        n,
                        good,
                        first,
                        n == 1
                                ? "One look at " + FastMath.round(good) + " or better makes it secure, by week " + first
                                        + " at the latest."
                                : n + " looks at " + FastMath.round(good)
                                        + " or better on different days make it secure; the first by week " + first
                                        + ".");
            }
        return new Pace(
                null,
                good,
                null,
                left <= 0
                        ? "The term is over."
                        : "Even a good look in each of the " + left + " weeks left would not make it secure.");
    }

    private static Competency after(
            List<Evidence> pieces,
            Competency.@Nullable Carried carried,
            int n,
            double score,
            double nowWeek,
            double termWeeks,
            Profile profile) {
        var all = new ArrayList<>(pieces);
        double week = nowWeek;
        for (int i = 0; i < n; i++) {
            week = Math.max(nowWeek + i * 1e-6, termWeeks - n + i);
            // A day of its own for each.
            all.add(new Evidence("look " + i, week, 100_000 + i, score, 1, false));
        }
        return Competency.of(all, carried, week, termWeeks, profile);
    }
}
