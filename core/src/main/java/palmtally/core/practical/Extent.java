package palmtally.core.practical;

import org.jspecify.annotations.Nullable;
import palmtally.core.finding.Criterion;

/**
 * How much of a practical is asked: the whole, or a part of it — a spot check, a peer's look, a re-take.
 *
 * @param part half the least observations make a score
 * @param opening whether the opening is asked
 * @param closing whether the closing and the cover at the end are asked
 * @param only the one criterion that is looked at, or null for all
 */
public record Extent(
        boolean part,
        boolean opening,
        boolean closing,
        @Nullable Criterion only) {
    public static final Extent WHOLE = new Extent(false, true, true, null);

    /** A part whose brief says nothing of how it begins and ends. */
    public static final Extent PART = new Extent(true, false, false, null);

    /** The same, of which only a part is looked at. */
    Extent inPart() {
        return new Extent(true, opening, closing, only);
    }

    /** The same, of which one criterion is looked at. */
    public Extent only(@Nullable Criterion criterion) {
        return new Extent(part, opening, closing, criterion);
    }
}
