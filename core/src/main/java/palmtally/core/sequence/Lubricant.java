package palmtally.core.sequence;

/** What lies on the skin. */
public enum Lubricant {
    DRY,
    FILM,
    OIL;

    @Override
    public String toString() {
        return name().toLowerCase().replace('_', '-');
    }
}
