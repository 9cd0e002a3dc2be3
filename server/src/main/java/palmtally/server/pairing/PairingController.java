package palmtally.server.pairing;

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
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;
import palmtally.server.people.Person;

/** Partners: planned over the term, seated on the day. */
@RestController
class PairingController {
    record PartnerWish(@Nullable Integer tables, @Nullable Integer atTable) {}

    record LabSeats(@Nullable List<List<UUID>> tables) {}

    record ApartForm(@Nullable UUID one, @Nullable UUID other) {}

    /** @param classmates whom a student may name; empty for staff, who have their lists */
    record ApartView(List<KeptApart.Wish> written, List<Person> classmates) {}

    private final Pairings pairings;
    private final KeptApart apart;

    PairingController(Pairings pairings, KeptApart apart) {
        this.pairings = pairings;
        this.apart = apart;
    }

    @Allow(Permission.TERM_STAFF)
    @GetMapping("/api/terms/{term}/partners")
    Pairings.PartnerPlan plan(@PathVariable UUID term) {
        return pairings.plan(term);
    }

    /** Plans the partners of the labs to come. */
    @Allow(Permission.TERM_PLANNER)
    @PostMapping("/api/terms/{term}/partners")
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<Pairings.PartnerPlan> make(
            @Me Caller caller, @PathVariable UUID term, @RequestBody PartnerWish wish) {
        if (wish.tables == null) throw new InvalidValue("partners", new Fault("tables", "", "is missing"));
        if (wish.tables > 100)
            throw new InvalidValue("partners", new Fault("tables", wish.tables.toString(), "must be at most 100"));
        return Made.at(
                "/api/terms/" + term + "/partners",
                pairings.make(caller, term, wish.tables, wish.atTable == null ? 2 : wish.atTable));
    }

    @Allow(Permission.TERM_PLANNER)
    @DeleteMapping("/api/terms/{term}/partners/{plan}")
    Pairings.PartnerPlan withdraw(@PathVariable UUID term, @PathVariable UUID plan) {
        return pairings.withdraw(term, plan);
    }

    @Allow(Permission.TERM_STAFF)
    @GetMapping("/api/terms/{term}/seats/{week}/{lab}")
    Pairings.LabSeating lab(@PathVariable UUID term, @PathVariable int week, @PathVariable int lab) {
        return pairings.lab(term, week, lab);
    }

    /** Keeps who sits with whom; an empty list lets the seats be found again. */
    @Allow(Permission.TERM_STAFF)
    @PutMapping("/api/terms/{term}/seats/{week}/{lab}")
    Pairings.LabSeating sit(
            @Me Caller caller,
            @PathVariable UUID term,
            @PathVariable int week,
            @PathVariable int lab,
            @RequestBody LabSeats given) {
        if (given.tables == null) throw new InvalidValue("seats", new Fault("tables", "", "is missing"));
        return pairings.sit(caller, term, week, lab, given.tables);
    }

    /** What the caller wrote themselves, and nothing of anybody else. */
    @Allow(Permission.SIGNED_IN)
    @GetMapping("/api/me/apart")
    ApartView written(@Me Caller caller) {
        return view(caller, apart.written(caller));
    }

    @Allow(Permission.SIGNED_IN)
    @PostMapping("/api/me/apart")
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<ApartView> keepApart(@Me Caller caller, @RequestBody ApartForm form) {
        if (form.other == null) throw new InvalidValue("apart", new Fault("other", "", "is missing"));
        var one = form.one == null ? caller.id() : form.one;
        return Made.at("/api/me/apart", view(caller, apart.add(caller, one, form.other)));
    }

    @Allow(Permission.SIGNED_IN)
    @DeleteMapping("/api/me/apart/{id}")
    ApartView withdrawApart(@Me Caller caller, @PathVariable UUID id) {
        return view(caller, apart.withdraw(caller, id));
    }

    private ApartView view(Caller caller, List<KeptApart.Wish> written) {
        return new ApartView(written, caller.role().staff() ? List.of() : apart.classmates(caller));
    }
}
