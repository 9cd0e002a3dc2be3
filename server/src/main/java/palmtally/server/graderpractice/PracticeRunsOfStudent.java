package palmtally.server.graderpractice;

import java.util.List;
import java.util.UUID;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import palmtally.server.people.KeptOfStudent;

/** Practicals of a student that new graders practise on, without their name. */
@Component
@Order(6)
class PracticeRunsOfStudent implements KeptOfStudent {
    private final PracticeRunMapper rows;

    PracticeRunsOfStudent(PracticeRunMapper rows) {
        this.rows = rows;
    }

    @Override
    public List<Part> told(UUID student, boolean own) {
        return rows.told(student);
    }

    @Override
    public void erase(UUID student, Erased erased) {
        erased.add("practiceRuns", rows.erase(student));
    }
}
