package palmtally.core.sequence.fit;

import java.util.Arrays;
import org.jspecify.annotations.Nullable;

/** What must agree for two labels, or two ways on, to be compared: compared often, so packed and hashed once. */
final class Key {
    private final long[] words;
    private final int hash;

    Key(long... words) {
        this.words = words;
        long mixed = 0;
        for (long w : words) mixed = (mixed ^ w) * 0x9E3779B97F4A7C15L ^ mixed >>> 29;
        hash = (int) (mixed >>> 32);
    }

    @Override
    public int hashCode() {
        return hash;
    }

    @Override
    public boolean equals(@Nullable Object other) {
        return other instanceof Key key && Arrays.equals(words, key.words);
    }
}
