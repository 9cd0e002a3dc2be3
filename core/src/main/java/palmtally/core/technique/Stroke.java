package palmtally.core.technique;

import java.util.Locale;

/** Strokes in the standard terms of the trade. */
public enum Stroke {
    EFFLEURAGE("Effleurage"),
    PETRISSAGE("Petrissage"),
    FRICTION("Friction"),
    STRIPPING("Stripping"),
    COMPRESSION("Compression"),
    TRIGGER_POINT("Ischaemic compression of a trigger point"),
    SKIN_ROLLING("Skin rolling"),
    FASCIAL_SPREAD("Fascial spread"),
    PIN_AND_LENGTHEN("Pin and lengthen"),
    RANGE_OF_MOTION("Range of motion"),
    CONTRACT_RELAX("Contract–relax"),
    STRETCH("Stretch"),
    TRACTION("Traction"),
    JOINT_GLIDE("Joint glide"),
    TAPOTEMENT("Tapotement"),
    VIBRATION("Vibration and rocking"),
    STILL_HOLD("Still hold"),
    HEAT("Heat"),
    COLD("Cold");

    private final String label;

    Stroke(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }

    /** Grip work wants dry skin. */
    public boolean grip() {
        return this == SKIN_ROLLING || this == FASCIAL_SPREAD;
    }

    /** Stays on the body by itself: occupies its zone but not the hands. */
    public boolean passiveModality() {
        return this == HEAT || this == COLD;
    }

    /** Moves a limb far enough to loosen the sheet. */
    public boolean bigMovement() {
        return this == STRETCH || this == RANGE_OF_MOTION || this == TRACTION || this == CONTRACT_RELAX;
    }

    /** Broad gliding or kneading that counts as warming a zone, or as flushing it afterwards. */
    public boolean warming() {
        return this == EFFLEURAGE || this == PETRISSAGE || this == VIBRATION || this == COMPRESSION;
    }

    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
