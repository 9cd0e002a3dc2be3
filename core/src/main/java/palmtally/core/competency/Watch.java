package palmtally.core.competency;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.hipparchus.util.FastMath;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.Sums;
import palmtally.core.body.Region;
import palmtally.core.competency.Competency.State;
import palmtally.core.finding.Criterion;
import palmtally.core.profile.Profile;

/**
 * What to look at in the coming lab. A look is worth what it is expected to change of what is known, more where nobody has looked or
 * a second day is missing, more where few labs of the region are left, and most where something critical is open (the sum and its
 * parts are ours). Out of all looks those are taken that together are worth most in the minutes there are.
 */
public final class Watch {
    /** Minutes of one criterion, with the way to the next table. */
    public static final double SPOT_MINUTES = 3;

    /** Longer than any lab. */
    public static final int MOST_MINUTES = 480;

    private static final double UNSEEN = 0.3;
    private static final double ONE_DAY = 0.15;
    private static final double CRITICAL = 1;
    private static final double ELSEWHERE = 0.5;
    private static final int GRID = 200;

    private Watch() {}

    /** How a student stands on a criterion in a region. */
    public record Standing(String student, Region region, Criterion criterion, Competency competency) {}

    /**
     * What the calendar still allows.
     *
     * @param labs labs of the region that are left, the coming one with them
     * @param here whether the coming lab is one of them
     * @param minutes of a whole practical of it
     */
    public record Chance(int labs, boolean here, double minutes) {}

    /** Why a criterion should be looked at; worth 0 or more, comparable among all. */
    public record Reason(Criterion criterion, State state, double worth, String why) {}

    /**
     * One thing to do in the lab.
     *
     * @param whole a whole practical, or else a spot check of each of these criteria
     * @param reasons what is worth most first
     */
    public record Look(
            String student, Region region, boolean whole, List<Reason> reasons, double minutes, double worth) {}

    /**
     * Expected change of the probability of being at the cut by one more look: E|P′ − P|, the new mean being normal around the old
     * with variance K·P, K = P ÷ (P + r ÷ w).
     *
     * @param weight of the look, above 0
     * @return 0–½
     */
    public static double change(LocalLevel now, double weight, Profile profile) {
        double cut = profile.marking().cut();
        double noise = profile.growth().scoreVariance() / weight;
        double gain = now.variance() / (now.variance() + noise);
        double spread = Math.sqrt(gain * now.variance());
        if (!(spread > 0)) return 0;
        double p = now.probabilityAtLeast(cut);
        double variance = (1 - gain) * now.variance();
        double sum = 0;
        double all = 0;
        for (int i = 0; i <= GRID; i++) {
            double z = -5 + 10.0 * i / GRID;
            double density = FastMath.exp(-z * z / 2);
            all += density;
            sum += density * Math.abs(new LocalLevel(now.mean() + z * spread, variance).probabilityAtLeast(cut) - p);
        }
        return sum / all;
    }

    private static Reason reason(Standing s, Chance chance, double weight, Profile profile) {
        var c = s.competency;
        double change = change(c.level(), weight, profile);
        int days = c.days();
        double worth = change + (days == 0 ? UNSEEN : days == 1 ? ONE_DAY : 0);
        int needed = Math.max(1, 2 - days);
        double urgency = Math.min(1, (double) needed / Math.max(1, chance.labs));
        worth *= 0.5 + 0.5 * urgency;
        if (!chance.here) worth *= ELSEWHERE;
        if (c.state() == State.OPEN_CRITICAL) worth += CRITICAL;
        if (c.state() == State.SECURE) worth = Math.min(worth, change);
        var what = switch (c.state()) {
            case OPEN_CRITICAL -> "what was critical must be shown clean once more";
            case NOT_SEEN -> "nobody has looked yet";
            case DUE_AGAIN -> "was secure and is due again; one good look brings it back";
            case AT_RISK -> "at risk of staying below the cut";
            case SECURE -> "secure";
            case EMERGING -> days == 1 ? "seen on one day only" : "not sure yet";
        };
        var moves = FastMath.round(100 * change);
        return new Reason(
                s.criterion,
                c.state(),
                worth,
                what + (moves > 0 ? "; a look would move what is known by about " + moves + " points of a hundred" : "")
                        + (chance.labs == 0
                                ? "; no lab of this region is planned any more"
                                : chance.labs == 1 && chance.here ? "; this is the last lab of this region" : "")
                        + ".");
    }

    private record Option(Look look, int minutes) {}

    /**
     * The looks that are worth most together, in order of worth. Of one student in one region that is a whole practical, or spot checks
     * of the criteria worth most, or nothing; an exact choice by whole minutes.
     *
     * @param standings of all students, every criterion of a region that may be looked at
     * @param chances a region without one is not looked at
     * @param minutes of the grader's eyes, 0 to {@link #MOST_MINUTES}
     */
    public static List<Look> best(
            Collection<Standing> standings, Map<Region, Chance> chances, double minutes, Profile profile) {
        if (!(minutes >= 0 && minutes <= MOST_MINUTES))
            throw new InvalidValue(
                    "watch", new Fault("minutes", String.valueOf(minutes), "must be 0 to " + MOST_MINUTES));
        record Key(String student, Region region) {}
        Map<Key, List<Standing>> groups = new LinkedHashMap<>();
        for (var s : standings)
            if (chances.containsKey(s.region))
                groups.computeIfAbsent(new Key(s.student, s.region), k -> new ArrayList<>())
                        .add(s);
        int room = (int) Math.floor(minutes);
        var best = new double[room + 1];
        var chosen = new ArrayList<Option[]>();
        for (var group : groups.entrySet()) {
            var chance = chances.get(group.getKey().region);
            if (chance == null) continue;
            var options = options(group.getValue(), chance, profile);
            var taken = new Option[room + 1];
            for (int m = room; m >= 0; m--)
                for (var o : options)
                    if (o.minutes <= m) {
                        double now = taken[m] == null ? best[m] : with(best, taken[m], m);
                        if (with(best, o, m) > now + 1e-12) taken[m] = o;
                    }
            // From above, so that the minutes below are still those of the groups before.
            for (int m = room; m >= 0; m--) if (taken[m] != null) best[m] = with(best, taken[m], m);
            chosen.add(taken);
        }
        var looks = new ArrayList<Look>();
        int left = room;
        for (int g = chosen.size() - 1; g >= 0; g--) {
            var option = chosen.get(g)[left];
            if (option == null) continue;
            looks.add(option.look);
            left -= option.minutes;
        }
        // Of the same worth a minute, in the order in which they were given.
        Collections.reverse(looks);
        looks.sort(Comparator.comparingDouble((Look l) -> -l.worth / l.minutes));
        return List.copyOf(looks);
    }

    private static double with(double[] best, Option option, int m) {
        return best[m - option.minutes] + option.look.worth;
    }

    private static List<Option> options(List<Standing> group, Chance chance, Profile profile) {
        var options = new ArrayList<Option>();
        var byWorth = Comparator.comparingDouble((Reason r) -> -r.worth).thenComparing(Reason::criterion);
        var spots = group.stream()
                .map(s -> reason(s, chance, Evidence.Kind.SPOT_CHECK.weight(), profile))
                .filter(r -> r.worth > 0)
                .sorted(byWorth)
                .toList();
        for (int k = 1; k <= spots.size(); k++)
            options.add(option(group.get(0), false, spots.subList(0, k), k * SPOT_MINUTES));
        var whole = group.stream()
                .map(s -> reason(s, chance, Evidence.Kind.PRACTICAL.weight(), profile))
                .filter(r -> r.worth > 0)
                .sorted(byWorth)
                .toList();
        if (!whole.isEmpty()) options.add(option(group.get(0), true, whole, chance.minutes));
        return options;
    }

    private static Option option(Standing of, boolean whole, List<Reason> reasons, double minutes) {
        return new Option(
                new Look(
                        of.student,
                        of.region,
                        whole,
                        List.copyOf(reasons),
                        minutes,
                        Sums.of(reasons.stream().mapToDouble(Reason::worth))),
                (int) Math.ceil(minutes));
    }
}
