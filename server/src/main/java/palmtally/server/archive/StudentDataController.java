package palmtally.server.archive;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;
import palmtally.server.people.Person;

/** What is kept of one student: taken along, and erased. */
@RestController
class StudentDataController {
    private final StudentData data;

    StudentDataController(StudentData data) {
        this.data = data;
    }

    record Erase(@Nullable String name) {}

    @Allow(Permission.LEAD)
    @GetMapping("/api/students/gone")
    List<Person> gone() {
        return data.gone();
    }

    @Allow(Permission.SIGNED_IN)
    @GetMapping(path = "/api/students/{id}/data", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<String> all(@Me Caller caller, @PathVariable UUID id) {
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=\"student.json\"")
                .body(data.all(caller, id).toPrettyString());
    }

    @Allow(Permission.LEAD)
    @PostMapping("/api/students/{id}/erase")
    StudentData.Erased erase(@Me Caller caller, @PathVariable UUID id, @RequestBody Erase given) {
        return data.erase(caller, id, given.name);
    }
}
