package palmtally.server.people;

import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A row of account; password is a hash that names its own scheme.
 *
 * @param disabledAt since when it is shut out, or null
 * @param expiresOn the last day on which it is good, or null for no end
 * @param erasedAt when the student asked to be forgotten, or null
 */
record Account(
        UUID id,
        String name,
        String signIn,
        String password,
        Role role,
        @Nullable Instant disabledAt,
        @Nullable LocalDate expiresOn,
        @Nullable Instant erasedAt) {
    /** Whether somebody may sign in with it on a day. */
    boolean good(LocalDate today) {
        return disabledAt == null && (expiresOn == null || !expiresOn.isBefore(today));
    }

    Person person() {
        return new Person(id, name, role);
    }

    Caller caller() {
        return new Caller(id, name, role);
    }
}
