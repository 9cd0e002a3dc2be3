package palmtally.core.sequence;

/** How the therapist stands or sits. */
public enum Stance {
    LUNGE,
    HORSE,
    SEATED;

    @Override
    public String toString() {
        return name().toLowerCase().replace('_', '-');
    }
}
