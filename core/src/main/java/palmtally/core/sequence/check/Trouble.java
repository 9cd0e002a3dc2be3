package palmtally.core.sequence.check;

import java.util.EnumSet;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Timeline.Span;

/** What is wrong with one step, over all zones and sides it has trouble with. */
final class Trouble {
    final Span span;
    final Zone zone;
    final Set<Side> sides = EnumSet.noneOf(Side.class);
    double worst;

    Trouble(Span span, Zone zone, double worst) {
        this.span = span;
        this.zone = zone;
        this.worst = worst;
    }

    @Nullable
    Side side() {
        return sides.size() == 1 ? sides.iterator().next() : null;
    }
}
