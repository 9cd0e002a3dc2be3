package palmtally.server.competency;

import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;

/** Track: the cohort, and one student. */
@RestController
class CompetencyController {
    private final Tracking tracking;

    CompetencyController(Tracking tracking) {
        this.tracking = tracking;
    }

    @GetMapping("/api/terms/{term}/competency")
    Tracking.Cohort cohort(@Me Caller caller, @PathVariable UUID term) {
        return tracking.cohort(caller, term);
    }

    @GetMapping("/api/competency/students/{id}")
    Tracking.Student student(@Me Caller caller, @PathVariable UUID id) {
        return tracking.student(caller, id);
    }
}
