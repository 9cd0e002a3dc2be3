package palmtally.core.sequence;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.Texts;
import palmtally.core.body.Position;
import palmtally.core.profile.DrapeMethod;
import palmtally.core.profile.Profile;

/**
 * Steps that belong together. Neighbouring blocks that repeat on each side are run through on the first side, then again on the
 * second, as long as the client need not be turned between them.
 *
 * @param drape how the sheet is opened here, or null as the school does
 */
public record Block(
        String id,
        String name,
        Order order,
        Repeat repeat,
        @Nullable DrapeMethod drape,
        List<Step> steps) {
    /** Whether the order of the steps within the block is asked for. */
    public enum Order {
        IN_ORDER,
        ANY_ORDER;

        private final String word = Texts.word(this);

        @Override
        public String toString() {
            return word;
        }
    }

    /** Whether the block is run once, or once on each side. */
    public enum Repeat {
        ONCE,
        EACH_SIDE;

        private final String word = Texts.word(this);

        @Override
        public String toString() {
            return word;
        }
    }

    public Block {
        steps = List.copyOf(steps);
        if (id.isBlank() || id.length() > 64)
            throw new InvalidValue("block", new Fault("id", id, "must be 1 to 64 characters"));
    }

    public Block(String id, String name, Order order, Repeat repeat, List<Step> steps) {
        this(id, name, order, repeat, null, steps);
    }

    /** How the sheet is opened for a step of it; nothing for what is never covered. */
    public Optional<DrapeMethod> drapeFor(Step step, Profile profile) {
        var unit = step.zones().get(0).unit();
        if (drape != null && drape.opens(unit)) return Optional.of(drape);
        boolean side = step.position() == Position.SIDE_LEFT || step.position() == Position.SIDE_RIGHT;
        return DrapeMethod.of(unit, side, step.sheet() == Sheet.THROUGH, profile);
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
        return new Block(id, name, order, repeat, drape, changed);
    }
}
