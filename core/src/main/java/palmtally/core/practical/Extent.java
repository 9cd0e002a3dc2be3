package palmtally.core.practical;

/**
 * How much of a practical is asked: the whole, or a part of it — a spot check, a peer's look, a re-take.
 *
 * @param part half the least observations make a score
 * @param opening whether the opening is asked
 * @param closing whether the closing and the cover at the end are asked
 */
public record Extent(boolean part, boolean opening, boolean closing) {
    public static final Extent WHOLE = new Extent(false, true, true);

    /** A part whose brief says nothing of how it begins and ends. */
    public static final Extent PART = new Extent(true, false, false);

    /** The same, of which only a part is looked at. */
    Extent inPart() {
        return new Extent(true, opening, closing);
    }
}
