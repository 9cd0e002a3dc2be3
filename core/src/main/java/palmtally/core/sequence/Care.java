package palmtally.core.sequence;

import palmtally.core.Texts;

/** What is done for the client's sake besides the work itself, in the moment a step begins. */
public enum Care {
    /** The edge of the sheet is tucked under or held, so that a big movement cannot open it further. */
    SHEET_SECURED,
    /** Lotion and traces of the feet are wiped off. */
    HANDS_WIPED;

    private final String word = Texts.word(this);

    @Override
    public String toString() {
        return word;
    }
}
