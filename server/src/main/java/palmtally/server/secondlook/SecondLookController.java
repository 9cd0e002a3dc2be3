package palmtally.server.secondlook;

import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
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

/** Second looks at marks. */
@RestController
class SecondLookController {
    record SecondLookDaysForm(@Nullable Integer days) {}

    private final SecondLooks looks;

    SecondLookController(SecondLooks looks) {
        this.looks = looks;
    }

    @Allow(Permission.SIGNED_IN)
    @GetMapping("/api/practicals/{id}/second-looks")
    SecondLooks.SecondLooksHere of(@Me Caller caller, @PathVariable UUID id) {
        return looks.of(caller, id);
    }

    @Allow(Permission.SIGNED_IN)
    @PostMapping("/api/practicals/{id}/second-looks")
    ResponseEntity<SecondLooks.SecondLooksHere> ask(
            @Me Caller caller, @PathVariable UUID id, @RequestBody SecondLooks.Asking asking) {
        return Made.at("/api/practicals/" + id + "/second-looks", looks.ask(caller, id, asking));
    }

    @Allow(Permission.SIGNED_IN)
    @PostMapping("/api/second-looks/{id}/withdrawal")
    SecondLooks.SecondLooksHere withdraw(@Me Caller caller, @PathVariable UUID id) {
        return looks.withdraw(caller, id);
    }

    @Allow(Permission.LEAD)
    @PostMapping("/api/second-looks/{id}/decision")
    SecondLooks.SecondLookView decide(
            @Me Caller caller, @PathVariable UUID id, @RequestBody SecondLooks.Deciding deciding) {
        return looks.decide(caller, id, deciding);
    }

    @Allow(Permission.LEAD)
    @GetMapping("/api/second-looks")
    SecondLooks.SecondLooksOfSchool ofSchool(@Me Caller caller) {
        return looks.ofSchool(caller);
    }

    @Allow(Permission.LEAD)
    @PutMapping("/api/school/second-look-days")
    SecondLooks.SecondLooksOfSchool setDays(@Me Caller caller, @RequestBody SecondLookDaysForm form) {
        if (form.days == null) throw new InvalidValue("second looks", new Fault("days", "", "is missing"));
        looks.setDays(caller, form.days);
        return looks.ofSchool(caller);
    }
}
