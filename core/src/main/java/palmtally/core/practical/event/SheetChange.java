package palmtally.core.practical.event;

import org.jspecify.annotations.Nullable;
import palmtally.core.Texts;
import palmtally.core.body.DrapeUnit;
import palmtally.core.body.Side;
import palmtally.core.profile.DrapingFault;

/**
 * What happens to the sheet, or how it is found.
 *
 * @param unit which part of it; of what the step that is on works where it is not said
 */
public record SheetChange(
        Drape drape, @Nullable DrapeUnit unit, @Nullable Side side) implements Observation {
    /** What happens to the sheet. */
    public enum Drape {
        OPEN,
        COVER,
        LOOSE,
        LEFT_OPEN,
        LIFTED_TOO_HIGH,
        SECURED,
        NOT_SECURED,
        NOT_COVERED_AT_END;

        private final String word = Texts.word(this);

        @Override
        public String toString() {
            return word;
        }
    }

    public static SheetChange of(Drape drape) {
        return new SheetChange(drape, null, null);
    }

    /** The fault that it is, or null where it only says how the sheet stands. */
    public @Nullable DrapingFault fault() {
        return switch (drape) {
            case LOOSE -> DrapingFault.LOOSE;
            case LEFT_OPEN -> DrapingFault.LEFT_OPEN;
            case LIFTED_TOO_HIGH -> DrapingFault.LIFTED_TOO_HIGH;
            case NOT_SECURED -> DrapingFault.NOT_SECURED;
            case NOT_COVERED_AT_END -> DrapingFault.NOT_COVERED_AT_END;
            case OPEN, COVER, SECURED -> null;
        };
    }

    /** Whether it is a look at how the sheet lies, that nobody asked for. */
    public boolean looks() {
        return fault() != null || drape == Drape.SECURED;
    }

    @Override
    public boolean judges() {
        return looks();
    }

    @Override
    public void apply(Course course) {
        switch (drape) {
            case OPEN -> course.open(unit, side);
            case COVER -> course.cover(unit, side);
            case LEFT_OPEN -> course.leaveOpen();
            default -> {}
        }
    }
}
