package palmtally.server.incident;

import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import palmtally.server.answer.Made;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;

/** Records of incidents. */
@RestController
class IncidentController {
    record IncidentToSign(int revision) {}

    record IncidentAddition(@Nullable String words) {}

    private final Incidents incidents;

    IncidentController(Incidents incidents) {
        this.incidents = incidents;
    }

    @Allow(Permission.SIGNED_IN)
    @GetMapping("/api/me/incidents")
    Incidents.IncidentsSeen seen(@Me Caller caller) {
        return incidents.seenBy(caller);
    }

    @Allow(Permission.STAFF)
    @PostMapping("/api/practicals/{id}/incidents")
    ResponseEntity<Incidents.IncidentView> write(
            @Me Caller caller, @PathVariable UUID id, @RequestBody Incidents.IncidentForm form) {
        var made = incidents.write(caller, id, form);
        return Made.at("/api/incidents/" + made.id(), made);
    }

    @Allow(Permission.SIGNED_IN)
    @GetMapping("/api/incidents/{id}")
    Incidents.IncidentView one(@Me Caller caller, @PathVariable UUID id) {
        return incidents.one(caller, id);
    }

    @Allow(Permission.STAFF)
    @PutMapping("/api/incidents/{id}")
    Incidents.IncidentView change(@Me Caller caller, @PathVariable UUID id, @RequestBody Incidents.IncidentForm form) {
        return incidents.change(caller, id, form);
    }

    @Allow(Permission.STAFF)
    @PostMapping("/api/incidents/{id}/signature")
    Incidents.IncidentView sign(@Me Caller caller, @PathVariable UUID id, @RequestBody IncidentToSign form) {
        return incidents.sign(caller, id, form.revision);
    }

    @Allow(Permission.SIGNED_IN)
    @PostMapping("/api/incidents/{id}/additions")
    Incidents.IncidentView addTo(@Me Caller caller, @PathVariable UUID id, @RequestBody IncidentAddition form) {
        return incidents.addTo(caller, id, form.words);
    }
}
