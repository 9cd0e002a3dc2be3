package palmtally.server.graderpractice;

import java.util.Optional;
import org.springframework.stereotype.Component;
import palmtally.server.people.Caller;
import palmtally.server.people.DutyGate;

/** In a school that has a practice run, a grader who never graded has no duty until the lead opens it. */
@Component
class OpenedDuty implements DutyGate {
    private final PracticeRunMapper rows;

    OpenedDuty(PracticeRunMapper rows) {
        this.rows = rows;
    }

    @Override
    public Optional<String> shut(Caller grader) {
        var decided = rows.decided(grader.id());
        if (decided.isPresent())
            return decided.get() ? Optional.empty() : Optional.of("The lead has shut your duty to grade; ask there.");
        return !rows.anyRun() || rows.graded(grader.id())
                ? Optional.empty()
                : Optional.of("Mark the school's practice run first; then the lead opens your duty to grade.");
    }
}
