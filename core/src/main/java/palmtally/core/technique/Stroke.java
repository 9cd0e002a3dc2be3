package palmtally.core.technique;

import palmtally.core.Texts;

/**
 * Strokes in the standard terms of the trade, as far apart as the rules tell them: what a rule says of a stroke it says of every
 * technique of that stroke, those of a school among them.
 */
public enum Stroke {
    STILL_HOLD("Still hold"),
    EFFLEURAGE("Effleurage"),
    PETRISSAGE("Petrissage"),
    COMPRESSION("Compression, rhythmic"),
    STATIC_COMPRESSION("Compression, static"),
    VIBRATION("Vibration and rocking"),
    TAPOTEMENT("Tapotement"),
    STRIPPING("Stripping"),
    CIRCULAR_FRICTION("Friction, circular"),
    CROSS_FIBRE_FRICTION("Friction, cross-fibre"),
    TRIGGER_POINT("Ischaemic compression of a trigger point"),
    SKIN_ROLLING("Skin rolling"),
    FASCIA_INDIRECT("Fascial spread, indirect"),
    FASCIA_DIRECT("Fascial spread, direct"),
    PIN_AND_LENGTHEN("Pin and lengthen"),
    RANGE_OF_MOTION("Range of motion"),
    CONTRACT_RELAX("Contract–relax"),
    STRETCH("Stretch"),
    TRACTION("Traction"),
    JOINT_GLIDE("Joint glide"),
    RESET("Reset"),
    HEAT("Heat"),
    COLD("Cold"),
    ICE_MASSAGE("Ice massage");

    private final String word = Texts.word(this);

    private final String label;

    Stroke(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }

    /** Grip work wants dry skin. */
    public boolean grip() {
        return this == SKIN_ROLLING || this == FASCIA_INDIRECT || this == FASCIA_DIRECT;
    }

    /** Stays on the body by itself: occupies its zone but not the hands. */
    public boolean passiveModality() {
        return this == HEAT || this == COLD;
    }

    /** Brings cold to the tissue, by a pack or under a moving hand. */
    public boolean cools() {
        return this == COLD || this == ICE_MASSAGE;
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
        return word;
    }

    /** Whether a muscle is longer for it. */
    public boolean lengthens() {
        return this == STRETCH || this == CONTRACT_RELAX || this == PIN_AND_LENGTHEN;
    }
}
