package palmtally.server.people;

import java.util.Optional;

/** What has to come before somebody's first duty to grade. */
public interface DutyGate {
    /** Why the duty is shut, in a sentence; nothing where it is open. */
    Optional<String> shut(Caller grader);
}
