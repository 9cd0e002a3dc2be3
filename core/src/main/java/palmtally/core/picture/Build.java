package palmtally.core.picture;

import palmtally.core.Texts;

/** How heavy the body is that is drawn: of an adult, of no sex. */
public enum Build {
    MIDDLE(1, 1),
    HEAVY(1.16, 1.28);

    private final String word = Texts.word(this);

    private final double limbs;
    private final double trunk;

    Build(double limbs, double trunk) {
        this.limbs = limbs;
        this.trunk = trunk;
    }

    /** How much wider a part is than of the middle build. */
    double factor(Part part) {
        return switch (part) {
            case HEAD, HAND, FOOT -> 1 + (limbs - 1) / 4;
            case NECK, FOREARM, SHANK -> limbs;
            case TRUNK -> trunk;
            case UPPER_ARM, THIGH -> (limbs + trunk) / 2;
        };
    }

    @Override
    public String toString() {
        return word;
    }
}
