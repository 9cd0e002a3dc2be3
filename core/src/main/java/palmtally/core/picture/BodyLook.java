package palmtally.core.picture;

/** How a school has the body drawn in all its pictures. */
public record BodyLook(Build build, SkinTone skin) {
    /** Until a school chooses. */
    public static final BodyLook FIRST = new BodyLook(Build.MIDDLE, SkinTone.SAND);
}
