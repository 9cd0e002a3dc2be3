package palmtally.core.profile;

import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;

/**
 * Where the client's number should stay.
 *
 * @param low least, 0–10
 * @param high most, 0–10, not below {@code low}
 */
public record Band(int low, int high) {
    public Band {
        if (low < 0 || high > 10 || low > high)
            throw new InvalidValue(
                    "band", new Fault("band", low + "–" + high, "must lie within 0 to 10, low end first"));
    }

    /** Grades between a number and this band: 0 inside it. */
    public int distance(int value) {
        return Math.max(0, Math.max(low - value, value - high));
    }

    @Override
    public String toString() {
        return low + "–" + high;
    }
}
