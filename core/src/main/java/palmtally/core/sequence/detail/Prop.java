package palmtally.core.sequence.detail;

import palmtally.core.Texts;

/** What is laid under, over or beside the client (common practice, no source). */
public enum Prop {
    BOLSTER_UNDER_ANKLES,
    BOLSTER_UNDER_KNEES,
    PILLOW_BETWEEN_KNEES,
    PILLOW_HUGGED,
    PILLOW_UNDER_ARM,
    PILLOW_UNDER_HEAD,
    PILLOW_UNDER_BELLY,
    ROLLED_TOWEL,
    TOWEL,
    WEDGE,
    FACE_REST,
    BLANKET_ASIDE,
    BLANKET,
    WIPES,
    GLOVES,
    COLD_CUP,
    COLD_PACK,
    HOT_PACK,
    STOOL;

    private final String word = Texts.word(this);

    @Override
    public String toString() {
        return word;
    }
}
