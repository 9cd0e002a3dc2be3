package palmtally.server.register;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.register.HeldLab;
import palmtally.server.answer.Made;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;

/** At the door: who is there. At the desk: what hours that makes. */
@RestController
class RegisterController {
    record PresenceList(@Nullable List<Registers.SentPresence> marks) {}

    record LabForm(@Nullable Double minutes, @Nullable List<HeldLab.LabPart> parts) {}

    private final Registers registers;
    private final TermHours hours;

    RegisterController(Registers registers, TermHours hours) {
        this.registers = registers;
        this.hours = hours;
    }

    @Allow(Permission.TERM_STAFF)
    @GetMapping("/api/terms/{term}/register")
    Registers.RegisterView register(@PathVariable UUID term) {
        return registers.of(term);
    }

    @Allow(Permission.TERM_STAFF)
    @GetMapping("/api/terms/{term}/register/{week}/{lab}")
    Registers.Sheet sheet(@PathVariable UUID term, @PathVariable int week, @PathVariable int lab) {
        return registers.sheet(term, week, lab);
    }

    /** Marks who is there; a mark that is sent twice is stored once. */
    @Allow(Permission.TERM_STAFF)
    @PostMapping("/api/terms/{term}/register/{week}/{lab}/marks")
    Registers.Sheet mark(
            @Me Caller caller,
            @PathVariable UUID term,
            @PathVariable int week,
            @PathVariable int lab,
            @RequestBody PresenceList given) {
        return registers.mark(caller, term, week, lab, given.marks == null ? List.of() : given.marks);
    }

    /** Puts right how long a lab was and what it was made of. */
    @Allow(Permission.TERM_STAFF)
    @PutMapping("/api/terms/{term}/register/{week}/{lab}")
    Registers.Sheet change(
            @Me Caller caller,
            @PathVariable UUID term,
            @PathVariable int week,
            @PathVariable int lab,
            @RequestBody LabForm given) {
        if (given.minutes == null) throw new InvalidValue("lab", new Fault("minutes", "", "is missing"));
        if (given.parts == null) throw new InvalidValue("lab", new Fault("parts", "", "is missing"));
        return registers.change(caller, term, week, lab, given.minutes, given.parts);
    }

    @Allow(Permission.TERM_STAFF)
    @GetMapping("/api/terms/{term}/hours")
    TermHours.HoursView hours(@Me Caller caller, @PathVariable UUID term) {
        return hours.of(caller, term);
    }

    @Allow(Permission.TERM_MEMBER)
    @GetMapping(path = "/api/terms/{term}/hours.csv", produces = "text/csv")
    ResponseEntity<byte[]> table(@Me Caller caller, @PathVariable UUID term) {
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("text/csv;charset=UTF-8"))
                .header("Content-Disposition", "attachment; filename=\"hours.csv\"")
                .body(hours.table(caller, term).csv().getBytes(StandardCharsets.UTF_8));
    }

    @Allow(Permission.TERM_STAFF)
    @GetMapping("/api/terms/{term}/hours/{student}")
    TermHours.StudentHoursView student(@Me Caller caller, @PathVariable UUID term, @PathVariable UUID student) {
        return hours.student(caller, term, student);
    }

    /** Enters time that was not marked in a lab. */
    @Allow(Permission.TERM_STAFF)
    @PostMapping("/api/terms/{term}/hours/{student}")
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<TermHours.StudentHoursView> enter(
            @Me Caller caller,
            @PathVariable UUID term,
            @PathVariable UUID student,
            @RequestBody TermHours.NewHours given) {
        return Made.at("/api/terms/" + term + "/hours/" + student, hours.enter(caller, term, student, given));
    }

    @Allow(Permission.TERM_STAFF)
    @DeleteMapping("/api/terms/{term}/hours/{student}/{entry}")
    TermHours.StudentHoursView withdraw(
            @Me Caller caller, @PathVariable UUID term, @PathVariable UUID student, @PathVariable UUID entry) {
        return hours.withdraw(caller, term, student, entry);
    }

    /** The hours of whoever asks, in their newest term; an empty list where they are in none. */
    @Allow(Permission.SIGNED_IN)
    @GetMapping("/api/me/hours")
    List<TermHours.StudentHoursView> own(@Me Caller caller) {
        return hours.own(caller);
    }
}
