package palmtally.core.practical.event;

import java.util.LinkedHashSet;
import java.util.List;
import org.jspecify.annotations.Nullable;
import palmtally.core.profile.MechanicsFault;

/**
 * A look at the body of the therapist.
 *
 * @param faults what it found, each once; empty for a clean one
 * @param asked the app asked for it, so that it is a sample
 */
public record Look(List<MechanicsFault> faults, @Nullable Boolean asked) implements Observation {
    public Look {
        faults = List.copyOf(new LinkedHashSet<>(faults));
    }

    public static Look asked(MechanicsFault... faults) {
        return new Look(List.of(faults), true);
    }

    /** One that nobody asked for. */
    public static Look volunteered(MechanicsFault... faults) {
        return new Look(List.of(faults), false);
    }

    public boolean sample() {
        return Boolean.TRUE.equals(asked);
    }

    @Override
    public boolean judges() {
        return true;
    }
}
