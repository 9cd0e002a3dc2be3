package palmtally.server.people;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.formats.ClassList;
import palmtally.formats.FormatException;

/** What the lead does: terms, class lists, sign-ins, who teaches and grades what. */
@RestController
class SchoolController {
    record TermForm(
            @Nullable String name,
            @Nullable String cohort,
            @Nullable LocalDate startsOn,
            @Nullable Integer weeks) {}

    record Archived(@Nullable Boolean archived) {}

    record ClassText(@Nullable String text) {}

    record DutyList(@Nullable List<Duties.Duty> duties) {}

    private final People people;
    private final Duties duties;

    SchoolController(People people, Duties duties) {
        this.people = people;
        this.duties = duties;
    }

    @PostMapping("/api/school/terms")
    List<People.TermView> addTerm(@Me Caller caller, @RequestBody TermForm form) {
        var f = whole(form);
        people.enrol(people.addTerm(f.name, f.cohort, f.startsOn, f.weeks).id(), caller.id());
        return people.terms(caller);
    }

    @PutMapping("/api/school/terms/{id}")
    List<People.TermView> changeTerm(@Me Caller caller, @PathVariable UUID id, @RequestBody TermForm form) {
        var f = whole(form);
        people.changeTerm(id, f.name, f.cohort, f.startsOn, f.weeks);
        return people.terms(caller);
    }

    @PutMapping("/api/school/terms/{id}/archived")
    List<People.TermView> archive(@Me Caller caller, @PathVariable UUID id, @RequestBody Archived given) {
        if (given.archived == null) throw new InvalidValue("term", new Fault("archived", "", "is missing"));
        people.archive(id, given.archived);
        return people.terms(caller);
    }

    private record Whole(String name, String cohort, LocalDate startsOn, int weeks) {}

    private static Whole whole(TermForm form) {
        var faults = new java.util.ArrayList<Fault>();
        if (form.startsOn == null) faults.add(new Fault("startsOn", "", "is missing"));
        if (form.weeks == null) faults.add(new Fault("weeks", "", "is missing"));
        if (form.startsOn == null || form.weeks == null) throw new InvalidValue("term", faults);
        return new Whole(or(form.name).strip(), or(form.cohort).strip(), form.startsOn, form.weeks);
    }

    /** What a class list would do, without doing it. */
    @PostMapping("/api/school/terms/{id}/class/preview")
    List<People.ClassLine> preview(@PathVariable UUID id, @RequestBody ClassText given) throws FormatException {
        return people.readClass(id, ClassList.read(or(given.text)));
    }

    /** Takes the whole class list, or nothing of it; passwords are told here and never again. */
    @PostMapping("/api/school/terms/{id}/class")
    List<People.SignInSheet> take(@PathVariable UUID id, @RequestBody ClassText given) throws FormatException {
        return people.takeClass(id, ClassList.read(or(given.text)));
    }

    @DeleteMapping("/api/school/terms/{id}/people/{account}")
    List<People.Person> leave(@PathVariable UUID id, @PathVariable UUID account) {
        people.leave(id, account);
        return people.inTerm(id);
    }

    @PostMapping("/api/people/{id}/password")
    People.SignInSheet resetPassword(@PathVariable UUID id) {
        return people.resetPassword(id);
    }

    /** How the sign-ins of a term stand: who is shut out, and until when the others are good. */
    @GetMapping("/api/school/terms/{id}/sign-ins")
    List<People.SignInState> signIns(@PathVariable UUID id) {
        return people.signIns(id);
    }

    /**
     * @param disabled shut out at once, or let in again; null leaves it as it is
     * @param expiresOn the last day; null for no end
     */
    record Access(@Nullable Boolean disabled, @Nullable LocalDate expiresOn) {}

    /** Who may sign in, and how long. */
    @PutMapping("/api/people/{id}/access")
    People.SignInState setAccess(@Me Caller caller, @PathVariable UUID id, @RequestBody Access given) {
        if (given.disabled != null) people.disable(caller, id, given.disabled);
        people.expire(caller, id, given.expiresOn);
        return people.signIn(id);
    }

    @GetMapping("/api/terms/{id}/duties")
    List<Duties.Duty> duties(@Me Caller caller, @PathVariable UUID id) {
        people.mustTeach(caller, id);
        return duties.of(id);
    }

    @PutMapping("/api/school/terms/{id}/duties")
    List<Duties.Duty> setDuties(@PathVariable UUID id, @RequestBody DutyList given) {
        if (given.duties == null) throw new InvalidValue("duties", new Fault("duties", "", "is missing"));
        return duties.set(id, given.duties);
    }

    private static String or(@Nullable String text) {
        return text == null ? "" : text;
    }
}
