package palmtally.server.practical;

import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palmtally.server.answer.Made;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;

/** The client's handset: its code for the grader, and what the client says, open to who has the code. */
@RestController
class HandsetController {
    record HandsetCode(String code) {}

    private final Handsets handsets;

    HandsetController(Handsets handsets) {
        this.handsets = handsets;
    }

    @Allow(Permission.STAFF)
    @PostMapping("/api/practicals/{id}/handset")
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<HandsetCode> code(@Me Caller caller, @PathVariable UUID id) {
        var code = handsets.code(caller, id);
        return Made.at("/api/handsets/" + code, new HandsetCode(code));
    }

    /** Whether it is in use; tells nothing else. */
    @Allow(Permission.ANYBODY)
    @GetMapping("/api/handsets/{code}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void on(@PathVariable String code) {
        handsets.mustBeOn(code);
    }

    @Allow(Permission.ANYBODY)
    @PostMapping("/api/handsets/{code}/reports")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void say(@PathVariable String code, @RequestBody Handsets.Said said) {
        handsets.say(code, said);
    }
}
