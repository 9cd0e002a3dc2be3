package palmtally.core.practical.event;

import org.jspecify.annotations.Nullable;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;

/** What the skin is dressed with from now on. */
public record Lubricant(
        palmtally.core.sequence.Lubricant dressing,
        @Nullable Zone zone,
        @Nullable Side side) implements Observation {}
