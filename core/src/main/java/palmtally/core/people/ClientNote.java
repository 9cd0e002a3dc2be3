package palmtally.core.people;

import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.Texts;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;

/**
 * What one body must be spared: the least that is needed to keep it safe, and no diagnosis.
 *
 * @param zone where, or null where the kind is about the whole body
 * @param side left or right, or null for both and for the midline
 */
public record ClientNote(
        Kind kind, @Nullable Zone zone, @Nullable Side side) {
    /** Kinds of notes (common practice, no source). */
    public enum Kind {
        PREGNANT("pregnant", false),
        LATE_PREGNANCY("pregnant, past the third month", false),
        BACK_PAIN("low-back or sacroiliac pain", false),
        INFLAMED("hot, swollen or inflamed", true),
        NUMB("numb", true),
        INJURED("newly injured", true),
        SPARE("not to be touched", true),
        NO_LUBRICANT("no lubricant", false),
        NO_COLD("no cold", false),
        NECK_INJURY("neck injured once", false),
        TICKLISH("ticklish", false),
        CLOTHED("stays clothed", false);

        private final String word = Texts.word(this);

        private final String label;
        private final boolean local;

        Kind(String label, boolean local) {
            this.label = label;
            this.local = local;
        }

        public String label() {
            return label;
        }

        /** Whether it is about one zone. */
        public boolean local() {
            return local;
        }

        @Override
        public String toString() {
            return word;
        }
    }

    public ClientNote {
        if (kind.local != (zone != null))
            throw new InvalidValue(
                    "note",
                    new Fault(
                            "zone",
                            String.valueOf(zone),
                            kind.local ? "is missing: which zone?" : "does not belong to '" + kind.label + "'"));
        if (side == Side.BOTH || side == Side.MIDLINE) side = null;
    }

    /** Whether it speaks of this half of a zone. */
    public boolean covers(Zone worked, Side on) {
        return worked == zone && (side == null || side == on || on == Side.MIDLINE || on == Side.BOTH);
    }
}
