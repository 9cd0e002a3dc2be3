package palmtally.core.body;

import palmtally.core.Texts;

/** How the client lies or sits. */
public enum Position {
    PRONE,
    SUPINE,
    SIDE_LEFT,
    SIDE_RIGHT,
    SEMI_RECLINED,
    SEATED;

    private final String word = Texts.word(this);

    /** How the client lies after turning over from one side to the other; any other position is its own. */
    public Position turnedOver() {
        return this == SIDE_LEFT ? SIDE_RIGHT : this == SIDE_RIGHT ? SIDE_LEFT : this;
    }

    @Override
    public String toString() {
        return word;
    }
}
