package palmtally.core.sequence.fit;

import java.util.BitSet;
import java.util.List;
import org.jspecify.annotations.Nullable;
import palmtally.core.sequence.Stint;
import palmtally.core.sequence.Stint.Half;

/** One item on the way through the steps in planned order. */
final class Place {
    final Item item;
    /** On the first side and on the second, which is walked along with it; null where it is not done there. */
    final @Nullable Visit one;

    final @Nullable Visit two;
    /** Whether what is done for both sides in this pass has already oiled its second side. */
    final boolean oiledAlready;
    /** Whether it is the last of its pass: the second side then joins the first. */
    final boolean closes;
    /** Halves that are oiled at a later place: no other needs to be known beyond this one. */
    long oilLater;
    /** Items that a kept one here needs, and that need a kept one here. */
    final List<Integer> needed;

    final List<Integer> needing;
    /** Items before it, itself among them, of which it must be known later whether they were kept. */
    final BitSet open = new BitSet();
    /** Warm-up lines that it needs, adds to, or is the last of. */
    int[] needs = {};

    int[] adds = {};
    int[] last = {};

    Place(
            Item item,
            @Nullable Visit one,
            @Nullable Visit two,
            boolean oiledAlready,
            boolean closes,
            List<Integer> needed,
            List<Integer> needing) {
        this.item = item;
        this.one = one;
        this.two = two;
        this.oiledAlready = oiledAlready;
        this.closes = closes;
        this.needed = needed;
        this.needing = needing;
    }

    /**
     * @param fixed seconds of its questions
     * @param oil bits of the halves it oils
     * @param kind visits of one kind cost the same whatever follows them
     */
    record Visit(Stint stint, double fixed, long oil, int kind) {
        boolean touches(Half half) {
            return stint.over().contains(half);
        }
    }

    boolean touches(Half half) {
        return one != null && one.touches(half) || two != null && two.touches(half);
    }

    /** Whether it needs no hands while it lasts. */
    boolean resting() {
        return item.step.technique().stroke().passiveModality();
    }

    int sides() {
        return (one == null ? 0 : 1) + (two == null ? 0 : 1);
    }

    /** Seconds of its questions, on all its sides. */
    double fixed() {
        return (one == null ? 0 : one.fixed) + (two == null ? 0 : two.fixed);
    }

    /** Seconds the hands are on it at a level, on all its sides. */
    double seconds(int level) {
        return resting() ? 0 : sides() * item.seconds[level - 1];
    }
}
