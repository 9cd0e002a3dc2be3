package palmtally.core.sequence;

import palmtally.core.Texts;

/** Where the therapist stands, seen from the side that is worked. */
public enum Stands {
    SAME_SIDE,
    ACROSS,
    HEAD,
    FOOT,
    CORNER;

    private final String word = Texts.word(this);

    @Override
    public String toString() {
        return word;
    }
}
