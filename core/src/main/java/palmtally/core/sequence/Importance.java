package palmtally.core.sequence;

import palmtally.core.Texts;

/** How dearly a step is kept when time is short. */
public enum Importance {
    MUST,
    SHOULD,
    COULD;

    private final String word = Texts.word(this);

    /** 4, 2, 1. */
    public double weight() {
        return switch (this) {
            case MUST -> 4;
            case SHOULD -> 2;
            case COULD -> 1;
        };
    }

    @Override
    public String toString() {
        return word;
    }
}
