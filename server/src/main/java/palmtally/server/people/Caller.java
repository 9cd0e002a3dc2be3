package palmtally.server.people;

import java.io.Serializable;
import java.security.Principal;
import java.util.UUID;

/** Who is asking; kept in the session. */
public record Caller(UUID id, String name, Role role) implements Principal, Serializable {
    @Override
    public String getName() {
        return id.toString();
    }
}
