package palmtally.core.sequence.check;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import palmtally.core.finding.Finding;

/** A finding about a plan, and the edit that would remove it where there is one. */
public record Found(Finding finding, @Nullable Mend mendOrNull) {
    public Optional<Mend> mend() {
        return Optional.ofNullable(mendOrNull);
    }
}
