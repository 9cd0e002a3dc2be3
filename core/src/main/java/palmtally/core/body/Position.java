package palmtally.core.body;

/** How the client lies or sits. */
public enum Position {
    PRONE,
    SUPINE,
    SIDE_LEFT,
    SIDE_RIGHT,
    SEMI_RECLINED,
    SEATED;

    @Override
    public String toString() {
        return name().toLowerCase().replace('_', '-');
    }
}
