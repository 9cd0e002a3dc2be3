package palmtally.core.sequence;

import palmtally.core.Texts;

/** How a zone is reached: skin, through the sheet, or covered and not touched. */
public enum Sheet {
    OPEN,
    THROUGH,
    COVERED;

    private final String word = Texts.word(this);

    @Override
    public String toString() {
        return word;
    }
}
