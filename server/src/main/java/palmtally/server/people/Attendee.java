package palmtally.server.people;

import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A student of a term.
 *
 * @param joinedOn since when, or null from its beginning
 * @param leftOn the day they were taken out of it, or null while they are in it
 */
public record Attendee(
        UUID id,
        String name,
        @Nullable LocalDate joinedOn,
        @Nullable LocalDate leftOn) {}
