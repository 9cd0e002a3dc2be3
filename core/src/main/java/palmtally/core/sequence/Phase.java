package palmtally.core.sequence;

import palmtally.core.Texts;

/** Phases of a treatment, in their usual order. */
public enum Phase {
    SETTLE,
    ASSESS,
    WARM,
    ISOLATE,
    TREAT,
    LENGTHEN,
    RESET,
    FLUSH,
    RE_CHECK,
    COVER;

    private final String word = Texts.word(this);

    /** Phases that end a zone or a treatment: what counts for order is when they were last done. */
    public boolean closing() {
        return this == FLUSH || this == RE_CHECK || this == COVER;
    }

    /** Phases in which the client's number should stay in the warm-up band. */
    public boolean gentle() {
        return !(this == ISOLATE || this == TREAT || this == LENGTHEN);
    }

    /** Where a technique usually has its place. */
    public static Phase usual(palmtally.core.technique.Technique technique) {
        return switch (technique.stroke()) {
            case STILL_HOLD -> SETTLE;
            case EFFLEURAGE, PETRISSAGE, VIBRATION -> technique.depth() >= 4 ? TREAT : WARM;
            case STRETCH, RANGE_OF_MOTION, CONTRACT_RELAX -> LENGTHEN;
            case HEAT, COLD, ICE_MASSAGE, TAPOTEMENT, RESET -> Phase.RESET;
            default -> TREAT;
        };
    }

    @Override
    public String toString() {
        return word;
    }
}
