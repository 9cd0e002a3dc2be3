package palmtally.core.picture;

import palmtally.core.Texts;

/** The tone of the skin that is drawn, from the lightest to the darkest. Its colours are the page's; paper is grey. */
public enum SkinTone {
    LIGHT,
    SAND,
    TAN,
    BROWN,
    DARK;

    private final String word = Texts.word(this);

    @Override
    public String toString() {
        return word;
    }
}
