package palmtally.server.people;

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
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.picture.BodyLook;
import palmtally.core.picture.Build;
import palmtally.core.picture.SkinTone;
import palmtally.formats.ClassList;
import palmtally.formats.FormatException;
import palmtally.server.answer.Made;

/** What the lead does: terms, class lists, sign-ins, who teaches and grades what. */
@RestController
class SchoolController {
    record TermForm(
            @Nullable String name,
            @Nullable String cohort,
            @Nullable LocalDate startsOn,
            @Nullable Integer weeks) {}

    record Archived(@Nullable Boolean archived) {}

    record BodyLookForm(@Nullable Build build, @Nullable SkinTone skin) {}

    record ZoneForm(@Nullable String zone) {}

    record ClassText(@Nullable String text) {}

    record DutyList(@Nullable List<Duties.Duty> duties) {}

    private final Terms terms;
    private final Accounts accounts;
    private final ClassLists classLists;
    private final Duties duties;
    private final School school;
    private final SchoolZone zone;

    SchoolController(
            Terms terms, Accounts accounts, ClassLists classLists, Duties duties, School school, SchoolZone zone) {
        this.zone = zone;
        this.school = school;
        this.terms = terms;
        this.accounts = accounts;
        this.classLists = classLists;
        this.duties = duties;
    }

    /** How the body is drawn from now on. */
    @Allow(Permission.LEAD)
    @PutMapping("/api/school/body-look")
    BodyLook setBodyLook(@RequestBody BodyLookForm form) {
        if (form.build == null) throw new InvalidValue("body-look", new Fault("build", "", "is missing"));
        if (form.skin == null) throw new InvalidValue("body-look", new Fault("skin", "", "is missing"));
        var look = new BodyLook(form.build, form.skin);
        school.setBodyLook(look);
        return look;
    }

    /** Where the clock on the wall is from now on. */
    @Allow(Permission.LEAD)
    @PutMapping("/api/school/zone")
    ZoneForm setZone(@RequestBody ZoneForm form) {
        if (form.zone == null) throw new InvalidValue("school", new Fault("zone", "", "is missing"));
        zone.set(form.zone);
        return form;
    }

    @Allow(Permission.LEAD)
    @PostMapping("/api/school/terms")
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<List<Terms.TermView>> addTerm(@Me Caller caller, @RequestBody TermForm form) {
        var f = whole(form);
        var term = terms.add(f.name, f.cohort, f.startsOn, f.weeks).id();
        terms.enrol(term, caller.id());
        return Made.at("/api/school/terms/" + term, terms.of(caller));
    }

    @Allow(Permission.LEAD)
    @PutMapping("/api/school/terms/{term}")
    List<Terms.TermView> changeTerm(@Me Caller caller, @PathVariable UUID term, @RequestBody TermForm form) {
        var f = whole(form);
        terms.change(term, f.name, f.cohort, f.startsOn, f.weeks);
        return terms.of(caller);
    }

    @Allow(Permission.LEAD)
    @PutMapping("/api/school/terms/{term}/archived")
    List<Terms.TermView> archive(@Me Caller caller, @PathVariable UUID term, @RequestBody Archived given) {
        if (given.archived == null) throw new InvalidValue("term", new Fault("archived", "", "is missing"));
        terms.archive(term, given.archived);
        return terms.of(caller);
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
    @Allow(Permission.LEAD)
    @PostMapping("/api/school/terms/{term}/class/preview")
    List<ClassLists.ClassLine> preview(@PathVariable UUID term, @RequestBody ClassText given) throws FormatException {
        return classLists.read(term, ClassList.read(or(given.text)));
    }

    /** Takes the whole class list, or nothing of it; passwords are told here and never again. */
    @Allow(Permission.LEAD)
    @PostMapping("/api/school/terms/{term}/class")
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<List<Accounts.SignInSheet>> take(@PathVariable UUID term, @RequestBody ClassText given)
            throws FormatException {
        return Made.at("/api/terms/" + term + "/people", classLists.take(term, ClassList.read(or(given.text))));
    }

    /** Takes somebody of the school into a term, as one who was taken out by mistake. */
    @Allow(Permission.LEAD)
    @PutMapping("/api/school/terms/{term}/people/{account}")
    List<Person> join(@PathVariable UUID term, @PathVariable UUID account) {
        terms.join(term, account);
        return terms.people(term);
    }

    @Allow(Permission.LEAD)
    @DeleteMapping("/api/school/terms/{term}/people/{account}")
    List<Person> leave(@PathVariable UUID term, @PathVariable UUID account) {
        terms.leave(term, account);
        return terms.people(term);
    }

    @Allow(Permission.LEAD)
    @PostMapping("/api/people/{id}/password")
    Accounts.SignInSheet resetPassword(@PathVariable UUID id) {
        return accounts.resetPassword(id);
    }

    /** How the sign-ins of a term stand: who is shut out, and until when the others are good. */
    @Allow(Permission.LEAD)
    @GetMapping("/api/school/terms/{term}/sign-ins")
    List<Accounts.SignInState> signIns(@PathVariable UUID term) {
        return accounts.signIns(term);
    }

    /**
     * @param disabled shut out at once, or let in again; null leaves it as it is
     * @param expiresOn the last day; null for no end
     */
    record Access(@Nullable Boolean disabled, @Nullable LocalDate expiresOn) {}

    /** Who may sign in, and how long. */
    @Allow(Permission.LEAD)
    @PutMapping("/api/people/{id}/access")
    Accounts.SignInState setAccess(@Me Caller caller, @PathVariable UUID id, @RequestBody Access given) {
        if (given.disabled != null) accounts.disable(caller, id, given.disabled);
        accounts.expire(caller, id, given.expiresOn);
        return accounts.signIn(id);
    }

    @Allow(Permission.TERM_STAFF)
    @GetMapping("/api/terms/{term}/duties")
    List<Duties.Duty> duties(@PathVariable UUID term) {
        return duties.of(term);
    }

    @Allow(Permission.LEAD)
    @PutMapping("/api/school/terms/{term}/duties")
    List<Duties.Duty> setDuties(@PathVariable UUID term, @RequestBody DutyList given) {
        if (given.duties == null) throw new InvalidValue("duties", new Fault("duties", "", "is missing"));
        return duties.set(term, given.duties);
    }

    private static String or(@Nullable String text) {
        return text == null ? "" : text;
    }
}
