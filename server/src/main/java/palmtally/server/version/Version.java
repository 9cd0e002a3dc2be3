package palmtally.server.version;

import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A document with the version it is.
 *
 * @param number counts from 1
 * @param damaged says that a newer version cannot be read, and why; null where this one is the newest, or was asked for by itself
 */
public record Version<T>(
        UUID id, int number, T document, @Nullable String damaged) {
    /** Whether nothing would change if that were saved. */
    public boolean says(T other) {
        return damaged == null && document.equals(other);
    }
}
