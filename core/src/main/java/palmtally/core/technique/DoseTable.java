package palmtally.core.technique;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Region;
import palmtally.core.body.Zone;

/**
 * The dose table of the trade (common practice, no source): the window a dose should fall in, by stroke and site. The first row
 * that fits wins, so rows for a site stand before those for any site.
 */
public final class DoseTable {
    /** What the seconds of a row are measured on. */
    public enum Per {
        HOLD,
        PASS,
        WHOLE;

        @Override
        public String toString() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /**
     * One row.
     *
     * @param technique id of the technique it is about, or null for any of the stroke
     * @param zones sites it is about; empty for any
     * @param least seconds, 0 for no lower end
     * @param most seconds; {@link Double#POSITIVE_INFINITY} for no upper end
     * @param rateLow cycles a second, 0 if the row has no rate
     * @param rateHigh cycles a second
     * @param advice what to do at the end of the window
     */
    public record Row(
            Stroke stroke,
            @Nullable String technique,
            Set<Zone> zones,
            Per per,
            double least,
            double most,
            double rateLow,
            double rateHigh,
            String advice) {
        boolean fits(Technique t, Zone zone) {
            return stroke == t.stroke()
                    && (technique == null || technique.equals(t.id()))
                    && (zones.isEmpty() || zones.contains(zone));
        }

        /** Seconds a hold is never to pass, whatever it feels like: over the vessels of the neck, 10; infinite elsewhere. */
        public double cap() {
            return stroke == Stroke.TRIGGER_POINT && zones.contains(Zone.STRAP_MUSCLE) ? 10 : OPEN;
        }

        public boolean hasRate() {
            return rateHigh > 0;
        }
    }

    private static final double OPEN = Double.POSITIVE_INFINITY;
    private static final Set<Zone> ANY = Set.of();
    private static final List<Row> ROWS = List.of(
            row(
                    Stroke.TRIGGER_POINT,
                    null,
                    EnumSet.of(Zone.STRAP_MUSCLE),
                    Per.HOLD,
                    3,
                    5,
                    "sliding off: the tissue is not ready, go lighter"),
            row(
                    Stroke.TRIGGER_POINT,
                    null,
                    EnumSet.of(Zone.SHOULDER_BLADE),
                    Per.HOLD,
                    8,
                    10,
                    "no change: angle, lighter, move on"),
            row(
                    Stroke.TRIGGER_POINT,
                    null,
                    EnumSet.of(Zone.BELLY, Zone.RIB_EDGE),
                    Per.HOLD,
                    30,
                    60,
                    "or 3 to 6 slow breaths"),
            row(Stroke.TRIGGER_POINT, null, ANY, Per.HOLD, 5, 12, "no change: angle, lighter, move on"),
            row(
                    Stroke.COMPRESSION,
                    "sacral-press",
                    EnumSet.of(Zone.SACRUM),
                    Per.HOLD,
                    5,
                    10,
                    "beside the bone, never on it"),
            row(Stroke.FASCIAL_SPREAD, "fascia-indirect", ANY, Per.WHOLE, 90, OPEN, "dry"),
            row(Stroke.FASCIAL_SPREAD, "fascia-direct", ANY, Per.PASS, 5, OPEN, "slow, dry or nearly"),
            row(Stroke.SKIN_ROLLING, null, ANY, Per.WHOLE, 30, OPEN, "within tolerance"),
            new Row(Stroke.FRICTION, "cross-fibre", ANY, Per.WHOLE, 0, 120, 1, 2, "pain not lower at 2 minutes: stop"),
            row(Stroke.STRETCH, null, ANY, Per.WHOLE, 30, OPEN, "passive, supported"),
            row(Stroke.JOINT_GLIDE, null, ANY, Per.HOLD, 8, 10, "until the range changes"),
            row(Stroke.HEAT, null, ANY, Per.WHOLE, 300, OPEN, "then stretch again, and flush"));

    /** Jaw muscles want minutes, both sides, and are usually demonstrated far too short. */
    private static final Row JAW =
            row(Stroke.PETRISSAGE, null, EnumSet.of(Zone.JAW_MUSCLES), Per.WHOLE, 120, 180, "both sides");

    private DoseTable() {}

    private static Row row(
            Stroke stroke,
            @Nullable String technique,
            Set<Zone> zones,
            Per per,
            double least,
            double most,
            String advice) {
        return new Row(stroke, technique, zones, per, least, most, 0, 0, advice);
    }

    public static List<Row> rows() {
        return ROWS;
    }

    /** The row for this technique on this zone, if the table has one. */
    public static Optional<Row> find(Technique technique, Zone zone) {
        if (zone.region() == Region.JAW && zone == Zone.JAW_MUSCLES && technique.stroke() != Stroke.STILL_HOLD)
            return Optional.of(JAW);
        return ROWS.stream().filter(r -> r.fits(technique, zone)).findFirst();
    }

    /** What the table says of a technique, a line for each row that fits it somewhere. */
    public static List<String> windows(Technique technique) {
        var lines = new ArrayList<String>();
        for (var r : ROWS)
            if (r.stroke == technique.stroke() && (r.technique == null || r.technique.equals(technique.id())))
                lines.add(words(r));
        return List.copyOf(lines);
    }

    private static String words(Row r) {
        var where = r.zones.isEmpty() ? "" : r.zones.stream().map(Zone::label).collect(Collectors.joining(", ")) + ": ";
        var per = r.per == Per.HOLD ? " s a hold" : r.per == Per.PASS ? " s a pass" : " s";
        var window = Double.isInfinite(r.most)
                ? "at least " + (long) r.least + per
                : r.least == 0 ? "at most " + (long) r.most + per : (long) r.least + "–" + (long) r.most + per;
        return where + window + (r.hasRate() ? ", " + (long) r.rateLow + "–" + (long) r.rateHigh + " a second" : "")
                + (Double.isInfinite(r.cap()) ? "" : ", never over " + (long) r.cap() + " s") + "; " + r.advice + ".";
    }
}
