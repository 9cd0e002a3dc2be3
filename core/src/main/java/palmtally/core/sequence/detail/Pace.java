package palmtally.core.sequence.detail;

import palmtally.core.Texts;

/** How quickly a stroke is given. */
public enum Pace {
    SLOW,
    STEADY,
    QUICK;

    private final String word = Texts.word(this);

    @Override
    public String toString() {
        return word;
    }
}
