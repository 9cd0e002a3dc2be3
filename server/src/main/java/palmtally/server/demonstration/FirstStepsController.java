package palmtally.server.demonstration;

import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import palmtally.server.people.Allow;
import palmtally.server.people.Permission;

/** What a new school has done yet of what it needs for a first showing. */
@RestController
class FirstStepsController {
    private final FirstStepsOfSchool steps;

    FirstStepsController(FirstStepsOfSchool steps) {
        this.steps = steps;
    }

    @Allow(Permission.LEAD)
    @GetMapping("/api/school/first-steps")
    FirstSteps firstSteps() {
        return steps.done();
    }
}
