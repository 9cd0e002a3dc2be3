package palmtally.core.sequence;

/** Where the therapist stands, seen from the side that is worked. */
public enum Stands {
    SAME_SIDE,
    ACROSS,
    HEAD,
    FOOT;

    @Override
    public String toString() {
        return name().toLowerCase().replace('_', '-');
    }
}
