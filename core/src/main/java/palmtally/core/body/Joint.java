package palmtally.core.body;

import java.util.Locale;

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

    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
