package palmtally.core.sequence;

import palmtally.core.Texts;
import palmtally.core.body.Position;

/** How high the table stands for a sequence: low for deep work, higher for light or side-lying work. */
public enum TableHeight {
    LOW,
    MIDDLE,
    HIGH;

    private final String word = Texts.word(this);

    private static final int DEEP = 4;
    private static final int LIGHT = 2;

    /** Of one step by itself: low where the weight should sink, higher where it is light or the client lies on the side. */
    public static TableHeight of(Step step) {
        if (step.depth() >= DEEP) return LOW;
        boolean onSide = step.position() == Position.SIDE_LEFT || step.position() == Position.SIDE_RIGHT;
        return onSide || step.depth() <= LIGHT ? HIGH : MIDDLE;
    }

    @Override
    public String toString() {
        return word;
    }
}
