package palmtally.core.practical.event;

import java.util.LinkedHashSet;
import java.util.List;
import org.jspecify.annotations.Nullable;
import palmtally.core.profile.DrapingFault;

/**
 * A look at the sheet: at a change of it, or at how it lies.
 *
 * @param missed what was missed of the way it is draped here, each once; empty for a clean one
 * @param asked the app asked for it
 */
public record SheetLook(List<DrapingFault> missed, @Nullable Boolean asked) implements Observation {
    public SheetLook {
        missed = List.copyOf(new LinkedHashSet<>(missed));
    }

    public static SheetLook asked(DrapingFault... missed) {
        return new SheetLook(List.of(missed), true);
    }

    @Override
    public boolean judges() {
        return true;
    }

    @Override
    public void apply(Course course) {
        if (missed.contains(DrapingFault.LEFT_OPEN)) course.leaveOpen();
    }
}
