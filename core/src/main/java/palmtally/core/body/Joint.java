package palmtally.core.body;

import palmtally.core.Texts;

/** Where a movement is seen. */
public enum Joint {
    JAW,
    SCALP,
    HEAD,
    NECK,
    SHOULDER_BLADE,
    COLLAR_BONE,
    SHOULDER,
    ELBOW,
    FOREARM,
    WRIST,
    FINGERS,
    THUMB,
    TRUNK,
    RIBS,
    BELLY,
    HIP,
    KNEE,
    ANKLE,
    FOOT,
    TOES;

    private final String word = Texts.word(this);

    @Override
    public String toString() {
        return word;
    }
}
