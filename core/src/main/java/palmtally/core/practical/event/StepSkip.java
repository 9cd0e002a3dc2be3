package palmtally.core.practical.event;

import org.jspecify.annotations.Nullable;
import palmtally.core.body.Side;

/** A step that is left out on purpose. */
public record StepSkip(
        @Words(least = 1, most = 64) String step,
        @Nullable Side side,
        @Words @Nullable String text) implements Observation {}
