package palmtally.core.body;

import palmtally.core.Texts;

/** The client's own left or right, the midline, or both hands at work on both sides at once. */
public enum Side {
    LEFT,
    RIGHT,
    MIDLINE,
    BOTH;

    private final String word = Texts.word(this);

    /** The other side of a pair; midline and both are their own counterpart. */
    public Side other() {
        return switch (this) {
            case LEFT -> RIGHT;
            case RIGHT -> LEFT;
            case MIDLINE, BOTH -> this;
        };
    }

    /** Whether work on this side reaches the zone half called {@code half}: both reaches left and right. */
    public boolean reaches(Side half) {
        return this == half || this == BOTH || half == BOTH;
    }

    @Override
    public String toString() {
        return word;
    }
}
