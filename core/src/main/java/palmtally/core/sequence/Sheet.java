package palmtally.core.sequence;

/** How a zone is reached: skin, through the sheet, or covered and not touched. */
public enum Sheet {
    OPEN,
    THROUGH,
    COVERED;

    @Override
    public String toString() {
        return name().toLowerCase().replace('_', '-');
    }
}
