package palmtally.core.technique;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import palmtally.core.Texts;
import palmtally.core.body.Zone;

/**
 * The dose table of the trade (common practice, no source): the window a dose should fall in, by stroke and site, unless a
 * school sets its own.
 */
public final class DoseTable {
    /** What the seconds of a row are measured on. */
    public enum Per {
        HOLD,
        PASS,
        WHOLE;

        private final String word = Texts.word(this);

        @Override
        public String toString() {
            return word;
        }
    }

    /**
     * One row. The first that fits a technique and a zone wins, so rows for a site stand before those for any site.
     */
    public enum Row {
        JAW("jaw muscles", null, EnumSet.of(Zone.JAW_MUSCLES), Per.WHOLE, 120, 180, "both sides") {
            /** Jaw muscles want minutes, both sides, and are usually demonstrated far too short. */
            @Override
            boolean of(Technique t) {
                return switch (t.stroke()) {
                    case PETRISSAGE,
                            STRIPPING,
                            CIRCULAR_FRICTION,
                            CROSS_FIBRE_FRICTION,
                            COMPRESSION,
                            STATIC_COMPRESSION -> true;
                    default -> false;
                };
            }

            @Override
            boolean fits(Technique t, Zone zone) {
                return zone == Zone.JAW_MUSCLES && of(t);
            }
        },
        POINTS_STRAP(
                "trigger points of the strap muscle",
                Stroke.TRIGGER_POINT,
                EnumSet.of(Zone.STRAP_MUSCLE),
                Per.HOLD,
                3,
                5,
                "sliding off: the tissue is not ready, go lighter"),
        POINTS_BLADE(
                "trigger points of the shoulder blade",
                Stroke.TRIGGER_POINT,
                EnumSet.of(Zone.SHOULDER_BLADE),
                Per.HOLD,
                8,
                10,
                "no change: angle, lighter, move on"),
        POINTS_BELLY(
                "points of the belly and the rib edge",
                Stroke.TRIGGER_POINT,
                EnumSet.of(Zone.BELLY, Zone.RIB_EDGE),
                Per.HOLD,
                30,
                60,
                "or 3 to 6 slow breaths"),
        POINTS(
                "other trigger points",
                Stroke.TRIGGER_POINT,
                ANY,
                Per.HOLD,
                5,
                12,
                "no change: angle, lighter, move on"),
        SACRAL_PRESS(
                "press beside the sacrum",
                Stroke.STATIC_COMPRESSION,
                EnumSet.of(Zone.SACRUM),
                Per.HOLD,
                5,
                10,
                "beside the bone, never on it") {
            /** On the breath a palm waits over the whole bone, and presses no edge. */
            @Override
            boolean of(Technique t) {
                return super.of(t) && t.effort() != Technique.Effort.BREATH;
            }
        },
        FASCIA_INDIRECT("fascia, indirect", Stroke.FASCIA_INDIRECT, ANY, Per.WHOLE, 90, OPEN, "dry"),
        FASCIA_DIRECT("fascia, direct", Stroke.FASCIA_DIRECT, ANY, Per.PASS, 5, OPEN, "slow, dry or nearly"),
        SKIN_ROLLING("skin rolling", Stroke.SKIN_ROLLING, ANY, Per.WHOLE, 30, OPEN, "within tolerance"),
        CROSS_FIBRE(
                "cross-fibre friction",
                Stroke.CROSS_FIBRE_FRICTION,
                ANY,
                Per.WHOLE,
                0,
                120,
                "pain not lower at 2 minutes: stop") {
            @Override
            public double rateLow() {
                return 1;
            }

            @Override
            public double rateHigh() {
                return 2;
            }
        },
        STRETCH("stretch", Stroke.STRETCH, ANY, Per.WHOLE, 30, OPEN, "passive, supported"),
        JOINT_GLIDE("joint glide", Stroke.JOINT_GLIDE, ANY, Per.HOLD, 8, 10, "until the range changes") {
            @Override
            public int mostHolds() {
                return 3;
            }
        },
        HEAT("heat", Stroke.HEAT, ANY, Per.WHOLE, 300, OPEN, "then stretch again, and flush");

        private static final Row[] ALL = values();

        private final String word = Texts.word(this);

        private final String label;
        private final @Nullable Stroke stroke;
        private final Set<Zone> zones;
        private final Per per;
        private final double least;
        private final double most;
        private final String advice;

        Row(String label, @Nullable Stroke stroke, Set<Zone> zones, Per per, double least, double most, String advice) {
            this.label = label;
            this.stroke = stroke;
            this.zones = zones;
            this.per = per;
            this.least = least;
            this.most = most;
            this.advice = advice;
        }

        boolean fits(Technique t, Zone zone) {
            return of(t) && (zones.isEmpty() || zones.contains(zone));
        }

        /** Whether it is about a technique, wherever that works. */
        boolean of(Technique t) {
            return stroke == t.stroke();
        }

        public String label() {
            return label;
        }

        public Per per() {
            return per;
        }

        /** What to do at the end of the window. */
        public String advice() {
            return advice;
        }

        /** Seconds, 0 for no lower end. */
        public double least() {
            return least;
        }

        /** Seconds; {@link Double#POSITIVE_INFINITY} for no upper end. */
        public double most() {
            return most;
        }

        /** Cycles a second, 0 where the row has no rate. */
        public double rateLow() {
            return 0;
        }

        /** Cycles a second, 0 where the row has no rate. */
        public double rateHigh() {
            return 0;
        }

        /** How often a hold is repeated at most. */
        public int mostHolds() {
            return Integer.MAX_VALUE;
        }

        public boolean hasRate() {
            return rateHigh() > 0;
        }

        public boolean ofTriggerPoints() {
            return stroke == Stroke.TRIGGER_POINT;
        }

        /** Seconds a hold is never to pass, whatever it feels like: over the vessels of the neck, 10; infinite elsewhere. */
        public double cap() {
            return this == POINTS_STRAP ? 10 : OPEN;
        }

        @Override
        public String toString() {
            return word;
        }
    }

    private static final double OPEN = Double.POSITIVE_INFINITY;
    private static final Set<Zone> ANY = Set.of();

    private DoseTable() {}

    /** The row for this technique on this zone, if the table has one. */
    public static Optional<Row> find(Technique technique, Zone zone) {
        for (var row : Row.ALL) if (row.fits(technique, zone)) return Optional.of(row);
        return Optional.empty();
    }

    /** What the table says of a technique, a line for each row that fits it somewhere. */
    public static List<String> windows(Technique technique) {
        var lines = new ArrayList<String>();
        var own = technique.window();
        if (own != null)
            lines.add("This school's own: " + bounds(own.per(), own.least(), own.most() == null ? OPEN : own.most())
                    + ".");
        for (var r : Row.values())
            if (r.of(technique))
                if (own == null) lines.add(words(r));
                else if (!Double.isInfinite(r.cap())) lines.add(where(r) + "never over " + (long) r.cap() + " s.");
        return List.copyOf(lines);
    }

    private static String words(Row r) {
        return where(r) + bounds(r.per, r.least, r.most)
                + (r.hasRate() ? ", " + (long) r.rateLow() + "–" + (long) r.rateHigh() + " a second" : "")
                + (r.mostHolds() == Integer.MAX_VALUE ? "" : ", at most " + r.mostHolds() + " times")
                + (Double.isInfinite(r.cap()) ? "" : ", never over " + (long) r.cap() + " s") + "; " + r.advice + ".";
    }

    private static String where(Row r) {
        return r.zones.isEmpty() ? "" : r.zones.stream().map(Zone::label).collect(Collectors.joining(", ")) + ": ";
    }

    private static String bounds(Per per, double least, double most) {
        var unit = per == Per.HOLD ? " s a hold" : per == Per.PASS ? " s a pass" : " s";
        if (Double.isInfinite(most)) return "at least " + (long) least + unit;
        return (least == 0 ? "at most " : (long) least + "–") + (long) most + unit;
    }
}
