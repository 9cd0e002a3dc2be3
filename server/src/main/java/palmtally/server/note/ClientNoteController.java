package palmtally.server.note;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.people.ClientNote;
import palmtally.server.answer.Made;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;

/** Notes of one person: read, written and taken back by those who teach them; their own to read for everybody. */
@RestController
class ClientNoteController {
    record NewNote(
            ClientNote.@Nullable Kind kind,
            @Nullable Zone zone,
            @Nullable Side side,
            @Nullable LocalDate until) {}

    private final ClientNotes notes;

    ClientNoteController(ClientNotes notes) {
        this.notes = notes;
    }

    @Allow(Permission.SIGNED_IN)
    @GetMapping("/api/notes/{person}")
    List<ClientNotes.Kept> of(@Me Caller caller, @PathVariable UUID person) {
        return notes.of(caller, person);
    }

    @Allow(Permission.STAFF)
    @PostMapping("/api/notes/{person}")
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<List<ClientNotes.Kept>> add(
            @Me Caller caller, @PathVariable UUID person, @RequestBody NewNote given) {
        if (given.kind == null) throw new InvalidValue("note", new Fault("kind", "", "is missing"));
        return Made.at(
                "/api/notes/" + person,
                notes.add(caller, person, new ClientNote(given.kind, given.zone, given.side), given.until));
    }

    @Allow(Permission.STAFF)
    @DeleteMapping("/api/notes/{person}/{note}")
    List<ClientNotes.Kept> withdraw(@Me Caller caller, @PathVariable UUID person, @PathVariable UUID note) {
        return notes.withdraw(caller, person, note);
    }
}
