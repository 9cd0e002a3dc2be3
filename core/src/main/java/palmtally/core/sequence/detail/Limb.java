package palmtally.core.sequence.detail;

import palmtally.core.Texts;

/** Where the client's limb lies or is held (common practice, no source). */
public enum Limb {
    ARM_AT_SIDE,
    ARM_OFF_TABLE,
    ARM_OVERHEAD,
    ARM_ACROSS,
    ARM_BEHIND_BACK,
    ARM_OUT,
    ARM_OVER_SHEET,
    /** On the therapist's thigh. */
    ON_THIGH,
    KNEE_BENT,
    HEEL_TO_HIP,
    /** On a towel of its own for each client. */
    ANKLE_ON_SHOULDER,
    HIP_TURNED_OUT,
    HIP_TURNED_IN,
    LEG_ACROSS,
    LEG_OFF_SIDE,
    LEG_STRAIGHT,
    LEG_LIFTED,
    /** Over the end of the table. */
    FOOT_OFF_END,
    FOOT_FLAT,
    HEAD_TURNED,
    HEAD_TILTED,
    HEAD_LIFTED,
    UPPER_KNEE_FORWARD;

    private final String word = Texts.word(this);

    @Override
    public String toString() {
        return word;
    }
}
