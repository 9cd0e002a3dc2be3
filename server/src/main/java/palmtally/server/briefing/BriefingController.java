package palmtally.server.briefing;

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
import palmtally.server.answer.Made;
import palmtally.server.people.Accounts;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;
import palmtally.server.people.Person;
import palmtally.server.people.Substitutes;

/** A lab for whoever takes it, and who takes it in the place of its teacher. */
@RestController
class BriefingController {
    /** @param on the day of the lab where the plan gives labs no time, else null */
    record SubstituteForm(@Nullable UUID account, @Nullable LocalDate on) {}

    /** Somebody from outside the school; as in {@link SubstituteForm}. */
    record NewSubstitute(
            @Nullable String name,
            @Nullable String signIn,
            @Nullable LocalDate on) {}

    private final Briefings briefings;
    private final LabSubstitutes substitutes;
    private final Accounts accounts;

    BriefingController(Briefings briefings, LabSubstitutes substitutes, Accounts accounts) {
        this.briefings = briefings;
        this.substitutes = substitutes;
        this.accounts = accounts;
    }

    @Allow(Permission.TERM_STAFF)
    @GetMapping("/api/terms/{term}/briefings/{week}/{lab}")
    Briefings.BriefingView briefing(
            @Me Caller caller, @PathVariable UUID term, @PathVariable int week, @PathVariable int lab) {
        return briefings.of(caller, term, week, lab);
    }

    /** The labs of a term that somebody takes in the place of its teacher, the first first. */
    @Allow(Permission.TERM_STAFF)
    @GetMapping("/api/terms/{term}/substitutes")
    List<Substitutes.Substitute> substitutes(@PathVariable UUID term) {
        return substitutes.of(term);
    }

    /** Who may be asked to take a lab. */
    @Allow(Permission.LEAD)
    @GetMapping("/api/school/staff")
    List<Person> staff() {
        return accounts.staff();
    }

    /** Gives a lab to somebody of the school. */
    @Allow(Permission.LEAD)
    @PutMapping("/api/school/terms/{term}/substitutes/{week}/{lab}")
    Briefings.BriefingView set(
            @Me Caller caller,
            @PathVariable UUID term,
            @PathVariable int week,
            @PathVariable int lab,
            @RequestBody SubstituteForm form) {
        if (form.account == null) throw new InvalidValue("substitute", new Fault("account", "", "is missing"));
        substitutes.set(caller, term, week, lab, form.on, form.account);
        return briefings.of(caller, term, week, lab);
    }

    /** Gives a lab to somebody from outside, whose sign-in ends with the day of it; the password is told here and never again. */
    @Allow(Permission.LEAD)
    @PostMapping("/api/school/terms/{term}/substitutes/{week}/{lab}")
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<Accounts.SignInSheet> add(
            @Me Caller caller,
            @PathVariable UUID term,
            @PathVariable int week,
            @PathVariable int lab,
            @RequestBody NewSubstitute form) {
        return Made.at(
                "/api/terms/" + term + "/briefings/" + week + "/" + lab,
                substitutes.add(
                        caller,
                        term,
                        week,
                        lab,
                        form.on,
                        form.name == null ? "" : form.name,
                        form.signIn == null ? "" : form.signIn));
    }

    /** Takes the lab back from whoever was to take it. */
    @Allow(Permission.LEAD)
    @DeleteMapping("/api/school/terms/{term}/substitutes/{week}/{lab}")
    Briefings.BriefingView withdraw(
            @Me Caller caller, @PathVariable UUID term, @PathVariable int week, @PathVariable int lab) {
        substitutes.withdraw(term, week, lab);
        return briefings.of(caller, term, week, lab);
    }
}
