package palmtally.server.incident;

import java.util.List;
import java.util.UUID;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import palmtally.server.people.KeptOfStudent;

/** Incidents in a student's practicals, and those they are named in; they read those they are named in. */
@Component
@Order(6)
class IncidentsOfStudent implements KeptOfStudent {
    private final IncidentMapper rows;

    IncidentsOfStudent(IncidentMapper rows) {
        this.rows = rows;
    }

    @Override
    public List<Part> told(UUID student, boolean own) {
        return rows.told(student, own);
    }

    @Override
    public void erase(UUID student, Erased erased) {
        erased.add("incidents", rows.erase(student));
        rows.unname(student);
    }
}
