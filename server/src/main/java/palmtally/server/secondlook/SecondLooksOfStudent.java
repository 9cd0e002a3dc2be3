package palmtally.server.secondlook;

import java.util.List;
import java.util.UUID;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import palmtally.server.people.KeptOfStudent;

/** Second looks a student asked for, and what they came to. */
@Component
@Order(6)
class SecondLooksOfStudent implements KeptOfStudent {
    private final SecondLookMapper rows;

    SecondLooksOfStudent(SecondLookMapper rows) {
        this.rows = rows;
    }

    @Override
    public List<Part> told(UUID student, boolean own) {
        return rows.told(student);
    }

    @Override
    public void erase(UUID student, Erased erased) {
        erased.add("secondLooks", rows.erase(student));
    }
}
