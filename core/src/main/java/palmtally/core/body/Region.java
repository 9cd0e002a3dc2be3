package palmtally.core.body;

import palmtally.core.Texts;

/** A region as it is taught and tracked over a term (common practice, no source). */
public enum Region {
    HEAD_FACE("Head and face"),
    JAW("Jaw"),
    NECK("Neck"),
    SHOULDER("Shoulder and upper back"),
    CHEST("Chest and ribs"),
    ABDOMEN("Abdomen"),
    LOW_BACK("Low back"),
    HIP("Sacrum and hip"),
    UPPER_ARM("Upper arm"),
    FOREARM_HAND("Forearm, wrist and hand"),
    THIGH("Thigh"),
    KNEE("Knee"),
    LOWER_LEG("Lower leg"),
    FOOT("Foot and ankle"),
    WHOLE_BODY("Whole body");

    private final String word = Texts.word(this);

    private final String label;

    Region(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }

    public boolean ofArm() {
        return this == UPPER_ARM || this == FOREARM_HAND;
    }

    public boolean ofLeg() {
        return this == THIGH || this == KNEE || this == LOWER_LEG || this == FOOT;
    }

    @Override
    public String toString() {
        return word;
    }
}
