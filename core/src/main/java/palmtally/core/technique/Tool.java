package palmtally.core.technique;

import palmtally.core.Texts;

/**
 * What touches, from broad to pointed in the order of this list; the usual depth is what teachers start from (common practice, no
 * source).
 */
public enum Tool {
    PALM("palm", 2, false),
    FOREARM("forearm", 4, false),
    LOOSE_FIST("loose fist", 4, false),
    KNUCKLES("knuckles", 4, false),
    REINFORCED_FINGERS("reinforced fingers", 4, false),
    FINGER_PADS("finger pads", 3, false),
    HEEL_OF_HAND("heel of the hand", 4, false),
    PINCER("pincer grip", 3, false),
    SUPPORTED_THUMB("supported thumb", 4, true),
    BARE_THUMB("bare thumb", 4, true),
    ELBOW("elbow point", 5, true);

    private final String word = Texts.word(this);

    private final String label;
    private final int usualDepth;
    private final boolean pointed;

    Tool(String label, int usualDepth, boolean pointed) {
        this.label = label;
        this.usualDepth = usualDepth;
        this.pointed = pointed;
    }

    public String label() {
        return label;
    }

    /** 0–5. */
    public int usualDepth() {
        return usualDepth;
    }

    /** Thumbs and the elbow point: a small area, so the same push goes deeper. */
    public boolean pointed() {
        return pointed;
    }

    /** Whether changing from {@code before} to this tool brings more weight or a smaller area, and so asks for a question. */
    public boolean heavierOrMorePointedThan(Tool before) {
        return usualDepth > before.usualDepth
                || (ordinal() > before.ordinal() && usualDepth >= before.usualDepth)
                || (pointed && !before.pointed);
    }

    @Override
    public String toString() {
        return word;
    }
}
