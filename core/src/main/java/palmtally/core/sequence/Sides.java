package palmtally.core.sequence;

import palmtally.core.Texts;

/** Where a step is due: one side, the midline, both at once, or each side in turn. */
public enum Sides {
    LEFT,
    RIGHT,
    MIDLINE,
    BOTH,
    EACH;

    private final String word = Texts.word(this);

    @Override
    public String toString() {
        return word;
    }
}
