package palmtally.core.sequence;

import static palmtally.core.finding.Spoken.number;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Zone;
import palmtally.core.profile.Profile;
import palmtally.core.technique.Dose;
import palmtally.core.technique.DoseTable;

/** The window of a row under a profile, and how a dose is measured against it. */
public record DoseWindow(DoseTable.Per per, double least, double most) {
    public static DoseWindow of(DoseTable.Row row, Profile profile) {
        var table = new DoseWindow(
                row.per(), profile.dose().least(row), profile.dose().most(row));
        if (!row.ofTriggerPoints()) return table;
        return switch (profile.dose().holdEnd()) {
            case BY_SECONDS -> table;
            case BY_BREATHS ->
                new DoseWindow(DoseTable.Per.HOLD, Dose.SECONDS_A_BREATH, MOST_BREATHS * Dose.SECONDS_A_BREATH);
            case UNTIL_SOFT ->
                new DoseWindow(DoseTable.Per.HOLD, 0, profile.dose().softCapSeconds());
        };
    }

    /** Longest hold in breaths (common practice, no source). */
    private static final int MOST_BREATHS = 6;

    /** Seconds that are never passed, of one hold or of the whole as the window counts; infinite where there is no such bound. */
    public static double cap(DoseTable.Row row, Profile profile) {
        if (row == DoseTable.Row.CROSS_FIBRE) return profile.dose().most(row);
        if (!row.ofTriggerPoints()) return Double.POSITIVE_INFINITY;
        return switch (profile.dose().holdEnd()) {
            case BY_SECONDS -> row.cap();
            case BY_BREATHS -> MOST_BREATHS * Dose.SECONDS_A_BREATH;
            case UNTIL_SOFT -> profile.dose().softCapSeconds();
        };
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

    /** The table's row for a step: that of the first of its zones that has one. */
    public static Optional<DoseTable.Row> row(Step step) {
        for (Zone zone : step.zones()) {
            var row = DoseTable.find(step.library(), zone);
            if (row.isPresent()) return row;
        }
        return Optional.empty();
    }

    /** The window a step is judged by, if the dose table has one for it. */
    public static Optional<DoseWindow> of(Step step, Profile profile) {
        return row(step).map(r -> of(r, profile));
    }

    /** Full inside, half within a quarter of the nearer bound, else nothing: 1, ½ or 0. */
    public double credit(double value) {
        if (value >= least && value <= most) return 1;
        return value >= 0.75 * least && value <= 1.25 * most ? 0.5 : 0;
    }
}
