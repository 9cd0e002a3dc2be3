package palmtally.server.graderpractice;

import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.server.answer.Made;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;

/** Practice runs of new graders, and whose duty is open. */
@RestController
class PracticeRunController {
    record DutyForm(@Nullable Boolean open) {}

    private final PracticeRuns runs;

    PracticeRunController(PracticeRuns runs) {
        this.runs = runs;
    }

    @Allow(Permission.STAFF)
    @GetMapping("/api/practice-runs")
    PracticeRuns.PracticeRunsView all(@Me Caller caller) {
        return runs.all(caller);
    }

    @Allow(Permission.LEAD)
    @PostMapping("/api/practicals/{id}/practice-run")
    ResponseEntity<PracticeRuns.PracticeRunsView> choose(
            @Me Caller caller, @PathVariable UUID id, @RequestBody PracticeRuns.PracticeRunForm form) {
        return Made.at("/api/practice-runs", runs.choose(caller, id, form));
    }

    @Allow(Permission.STAFF)
    @GetMapping("/api/practice-runs/{id}")
    PracticeRuns.PracticeRunView one(@Me Caller caller, @PathVariable UUID id) {
        return runs.one(caller, id);
    }

    @Allow(Permission.LEAD)
    @DeleteMapping("/api/practice-runs/{id}")
    PracticeRuns.PracticeRunsView withdraw(@Me Caller caller, @PathVariable UUID id) {
        return runs.withdraw(caller, id);
    }

    @Allow(Permission.STAFF)
    @PostMapping("/api/practice-runs/{id}/marks")
    PracticeRuns.PracticeRunView mark(
            @Me Caller caller, @PathVariable UUID id, @RequestBody PracticeRuns.PracticeMarksForm form) {
        return runs.mark(caller, id, form);
    }

    @Allow(Permission.LEAD)
    @PutMapping("/api/graders/{account}/duty")
    PracticeRuns.PracticeRunsView decide(@Me Caller caller, @PathVariable UUID account, @RequestBody DutyForm form) {
        if (form.open == null) throw new InvalidValue("duty", new Fault("open", "", "is missing"));
        return runs.decide(caller, account, form.open);
    }
}
