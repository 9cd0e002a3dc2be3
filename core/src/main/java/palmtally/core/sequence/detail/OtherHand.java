package palmtally.core.sequence.detail;

import palmtally.core.Texts;

/** What the hand that does not work does, or how two equal hands share the work (common practice, no source). */
public enum OtherHand {
    REINFORCES,
    HOLDS_THE_JOINT,
    MOVES_THE_LIMB,
    CRADLES_THE_HEAD,
    LIFTS_THE_SHOULDER,
    SUPPORTS_ABOVE_THE_JOINT,
    STRETCHES_THE_SKIN,
    HOLDS_THE_SHEET,
    RESTS,
    FOLLOWS,
    WORKS_ALTERNATELY,
    WORKS_TOGETHER,
    WORKS_OPPOSITE;

    private final String word = Texts.word(this);

    @Override
    public String toString() {
        return word;
    }
}
