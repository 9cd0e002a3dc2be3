package palmtally.core.sequence.detail;

import palmtally.core.Texts;

/** How a stroke lies to the fibre. */
public enum FibreAngle {
    ALONG,
    ACROSS,
    OBLIQUE;

    private final String word = Texts.word(this);

    @Override
    public String toString() {
        return word;
    }
}
