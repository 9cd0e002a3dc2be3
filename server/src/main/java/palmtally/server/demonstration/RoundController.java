package palmtally.server.demonstration;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palmtally.server.answer.Made;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;

/** Practice rounds: set up, open, mark, stand. */
@RestController
class RoundController {
    private final Rounds rounds;

    RoundController(Rounds rounds) {
        this.rounds = rounds;
    }

    /** Who may be at the tables. */
    @Allow(Permission.STAFF)
    @GetMapping("/api/rounds/students")
    List<Rounds.RoundStudent> students(@Me Caller caller) {
        return rounds.students(caller);
    }

    /** What a round would be; nothing is stored. */
    @Allow(Permission.STAFF)
    @PostMapping("/api/sequences/{id}/rounds/preview")
    Rounds.RoundPreview preview(@Me Caller caller, @PathVariable String id, @RequestBody Rounds.AskedRound asked) {
        return rounds.preview(caller, id, asked);
    }

    @Allow(Permission.STAFF)
    @PostMapping("/api/sequences/{id}/rounds")
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<RoundView> open(@Me Caller caller, @PathVariable String id, @RequestBody Rounds.AskedRound asked) {
        var view = RoundView.of(rounds.open(caller, id, asked));
        return Made.at("/api/rounds/" + view.id(), view);
    }

    @Allow(Permission.STAFF)
    @GetMapping("/api/rounds/{id}")
    RoundView one(@Me Caller caller, @PathVariable UUID id, @RequestParam @Nullable Double at) {
        return RoundView.of(rounds.own(caller, id, at));
    }

    @Allow(Permission.STAFF)
    @PostMapping("/api/rounds/{id}/marks")
    RoundView.RoundLiveView mark(@Me Caller caller, @PathVariable UUID id, @RequestBody Rounds.SentRoundMark mark) {
        return RoundView.RoundLiveView.of(rounds.mark(caller, id, mark));
    }
}
