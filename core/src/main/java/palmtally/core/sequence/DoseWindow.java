package palmtally.core.sequence;

import static palmtally.core.finding.Spoken.number;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Zone;
import palmtally.core.profile.Profile;
import palmtally.core.technique.Dose;
import palmtally.core.technique.DoseTable;
import palmtally.core.technique.Technique;

/**
 * What the dose of a step is held to under a profile: the school's own window of the technique, else that of the dose table's row.
 *
 * @param per what its seconds are of
 * @param least seconds, 0 for no lower end
 * @param most seconds; infinite for no upper end
 * @param cap seconds that are never passed, for safety; infinite where there is no such bound
 * @param mostHolds how often a hold is repeated at most
 * @param breaths whether the school counts the client's breaths here
 * @param source who says so, as "the dose table says"
 * @param advice what to do at the end of it, or empty
 */
public record DoseWindow(
        DoseTable.Per per,
        double least,
        double most,
        double cap,
        int mostHolds,
        boolean breaths,
        String source,
        String advice) {
    /** Longest hold in breaths (common practice, no source). */
    private static final int MOST_BREATHS = 6;

    private static final double OPEN = Double.POSITIVE_INFINITY;

    /** The window a step is judged by, if there is one: that of the first of its zones that has one. */
    public static Optional<DoseWindow> of(Step step, Profile profile) {
        return of(step.technique(), step.zones(), profile);
    }

    /** The window of a technique on these zones, if there is one. */
    public static Optional<DoseWindow> of(Technique technique, List<Zone> zones, Profile profile) {
        var row = row(technique, zones);
        var own = technique.window();
        if (own == null) return row.map(r -> of(r, profile));
        double cap = row.map(r -> cap(r, profile)).orElse(OPEN);
        double most = own.most() == null ? OPEN : own.most();
        return Optional.of(new DoseWindow(
                own.per(),
                Math.min(own.least(), cap),
                Math.min(most, cap),
                cap,
                Integer.MAX_VALUE,
                false,
                "this school says",
                row.map(DoseTable.Row::advice).orElse("")));
    }

    /** A hold around what the plan says, where nothing else binds it: within a share of its seconds. */
    public static DoseWindow around(double seconds, double share) {
        return new DoseWindow(
                DoseTable.Per.HOLD,
                seconds * (1 - share),
                seconds * (1 + share),
                OPEN,
                Integer.MAX_VALUE,
                false,
                "the plan says",
                "");
    }

    private static DoseWindow of(DoseTable.Row row, Profile profile) {
        var dosing = profile.dose();
        boolean points = row.ofTriggerPoints();
        boolean breaths = points && dosing.holdEnd() == Profile.HoldEnd.BY_BREATHS;
        boolean soft = points && dosing.holdEnd() == Profile.HoldEnd.UNTIL_SOFT;
        return new DoseWindow(
                points && (breaths || soft) ? DoseTable.Per.HOLD : row.per(),
                breaths ? Dose.SECONDS_A_BREATH : soft ? 0 : dosing.least(row),
                breaths ? MOST_BREATHS * Dose.SECONDS_A_BREATH : soft ? dosing.softCapSeconds() : dosing.most(row),
                cap(row, profile),
                row.mostHolds(),
                breaths,
                "the dose table says",
                row.advice());
    }

    private static double cap(DoseTable.Row row, Profile profile) {
        if (row == DoseTable.Row.CROSS_FIBRE) return profile.dose().most(row);
        if (!row.ofTriggerPoints()) return OPEN;
        return switch (profile.dose().holdEnd()) {
            case BY_SECONDS -> row.cap();
            case BY_BREATHS -> MOST_BREATHS * Dose.SECONDS_A_BREATH;
            case UNTIL_SOFT -> profile.dose().softCapSeconds();
        };
    }

    /** The dose table's row of a technique: that of the first of these zones that has one. */
    public static Optional<DoseTable.Row> row(Technique technique, List<Zone> zones) {
        for (Zone zone : zones) {
            var row = DoseTable.find(technique, zone);
            if (row.isPresent()) return row;
        }
        return Optional.empty();
    }

    /** Whether a dose passes the cap. */
    public boolean passesCap(@Nullable Dose dose) {
        return dose != null && measure(dose) > cap + 1e-9;
    }

    /** "the dose table says 5 to 12 s a hold (no change: move on)". */
    public String says() {
        return source + " " + words() + why();
    }

    /** The advice in brackets, with a space before; empty where there is none. */
    public String why() {
        return advice.isEmpty() ? "" : " (" + advice + ")";
    }

    /** Seconds of a dose as this window counts them: of one hold or pass, or of the whole. Breaths make one hold. */
    public double measure(Dose dose) {
        boolean one = per != DoseTable.Per.WHOLE && (dose.kind() == Dose.Kind.HOLDS || dose.kind() == Dose.Kind.PASSES);
        @Nullable Double seconds = dose.seconds();
        return one && seconds != null ? seconds : dose.totalSeconds();
    }

    public Dose clamp(Dose dose) {
        double now = measure(dose);
        double to = Math.min(Math.max(now, least), most);
        if (now >= least - 1e-9 && now <= most + 1e-9) return dose;
        if (per != DoseTable.Per.WHOLE && (dose.kind() == Dose.Kind.HOLDS || dose.kind() == Dose.Kind.PASSES))
            return new Dose(dose.kind(), to, dose.count(), null);
        var nearest = dose.withTotalSeconds(to);
        double reached = measure(nearest);
        if (reached <= most + 1e-9) return nearest;
        // Whole units overshoot the upper end: one unit fewer, or plain seconds where one unit is already too long.
        Integer count = nearest.count();
        if (count != null && count > 1)
            return new Dose(nearest.kind(), nearest.seconds(), count - 1, nearest.perSecond());
        return Dose.seconds(to);
    }

    public String each() {
        return switch (per) {
            case HOLD -> " a hold";
            case PASS -> " a pass";
            case WHOLE -> "";
        };
    }

    public String words() {
        if (Double.isInfinite(most)) return "at least " + number(least) + " s" + each();
        if (least == 0) return "at most " + number(most) + " s" + each();
        return number(least) + " to " + number(most) + " s" + each();
    }

    /** Full inside, half within a quarter of the nearer bound, else nothing: 1, ½ or 0. */
    public double credit(double value) {
        if (value >= least && value <= most) return 1;
        return value >= 0.75 * least && value <= 1.25 * most ? 0.5 : 0;
    }
}
