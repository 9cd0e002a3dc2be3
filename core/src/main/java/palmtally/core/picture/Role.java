package palmtally.core.picture;

import palmtally.core.Texts;

/** What a shape of a picture is. Whoever draws it gives each a look; none is told apart by colour alone. */
public enum Role {
    /** Parts of the body in one path: the line around it is painted under its tone, so that only the outside is seen. */
    BODY,
    /** What lies under the skin beside the work. */
    MUSCLE,
    FIBRE,
    /** A bone where it is felt. */
    BONE,
    /** The zone that is worked. */
    WORKED,
    /** The structure that is worked. */
    STRUCTURE,
    STRUCTURE_FIBRE,
    /** A structure that is worked through others, or on the far side. */
    DEEP,
    /** Where hands go lightly or not at all. */
    SPARED,
    /** The sheet in one path, its edge under it likewise. */
    LINEN,
    /** What is laid under or beside the client. */
    PROP,
    /** The way of the stroke, with its direction. */
    WAY,
    /** The way back, in the air. */
    WAY_BACK,
    /** Where it is held or pressed, one after another. */
    STATION,
    HAND,
    /** The part of the hand that works. */
    TOUCH,
    /** The hand that does something else. */
    OTHER_HAND,
    TABLE,
    TABLE_PAD,
    /** A foot of the therapist. */
    FOOT,
    /** Where the therapist looks. */
    FACING,
    /** From the therapist to the work. */
    REACH;

    private final String word = Texts.word(this);

    @Override
    public String toString() {
        return word;
    }
}
