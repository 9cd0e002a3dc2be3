package palmtally.core.sequence;

import java.util.List;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;

/**
 * Steps that belong together. Neighbouring blocks that repeat on each side are run through on the first side, then again on the
 * second.
 */
public record Block(String id, String name, Order order, Repeat repeat, List<Step> steps) {
    /** Whether the order of the steps within the block is asked for. */
    public enum Order {
        IN_ORDER,
        ANY_ORDER;

        @Override
        public String toString() {
            return name().toLowerCase().replace('_', '-');
        }
    }

    /** Whether the block is run once, or once on each side. */
    public enum Repeat {
        ONCE,
        EACH_SIDE;

        @Override
        public String toString() {
            return name().toLowerCase().replace('_', '-');
        }
    }

    public Block {
        steps = List.copyOf(steps);
        if (id.isBlank() || id.length() > 64)
            throw new InvalidValue("block", new Fault("id", id, "must be 1 to 64 characters"));
    }

    Block withSteps(List<Step> changed) {
        return new Block(id, name, order, repeat, changed);
    }
}
