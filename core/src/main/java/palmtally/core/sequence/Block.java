package palmtally.core.sequence;

import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Position;

/**
 * Steps that belong together. Neighbouring blocks that repeat on each side are run through on the first side, then again on the
 * second, as long as the client need not be turned between them.
 */
public record Block(String id, String name, Order order, Repeat repeat, List<Step> steps) {
    /** Whether the order of the steps within the block is asked for. */
    public enum Order {
        IN_ORDER,
        ANY_ORDER;

        @Override
        public String toString() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /** Whether the block is run once, or once on each side. */
    public enum Repeat {
        ONCE,
        EACH_SIDE;

        @Override
        public String toString() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    public Block {
        steps = List.copyOf(steps);
        if (id.isBlank() || id.length() > 64)
            throw new InvalidValue("block", new Fault("id", id, "must be 1 to 64 characters"));
    }

    /** The position of all its steps, or null where they differ or there are none. */
    @Nullable
    public Position position() {
        @Nullable Position one = null;
        for (var step : steps) {
            if (one != null && one != step.position()) return null;
            one = step.position();
        }
        return one;
    }

    public Block withSteps(List<Step> changed) {
        return new Block(id, name, order, repeat, changed);
    }
}
