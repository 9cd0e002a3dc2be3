package palmtally.core.sequence;

import palmtally.core.Texts;

/** What lies on the skin. */
public enum Lubricant {
    DRY,
    FILM,
    OIL;

    private final String word = Texts.word(this);

    @Override
    public String toString() {
        return word;
    }
}
