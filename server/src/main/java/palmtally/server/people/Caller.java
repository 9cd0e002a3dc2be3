package palmtally.server.people;

import java.io.Serializable;
import java.security.Principal;
import java.util.UUID;
import palmtally.server.problem.Refusal;

/** Who is asking; kept in the session. */
public record Caller(UUID id, String name, Role role) implements Principal, Serializable {
    /** Attribute of a request: the sign-in that somebody tried, for the trail. */
    public static final String TRIED = "palmtally.tried";

    /**
     * Sequences, techniques and the plan of a term are written by those who teach.
     *
     * @param what is written, such as {@code the plan of the term}
     * @throws Refusal 403 for graders and students
     */
    public void mustPlan(String what) {
        if (role != Role.LEAD && role != Role.INSTRUCTOR)
            throw Refusal.forbidden("Graders read " + what + "; instructors change it.");
    }

    @Override
    public String getName() {
        return id.toString();
    }
}
