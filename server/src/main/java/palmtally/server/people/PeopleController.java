package palmtally.server.people;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.server.answer.Made;

/** Terms and the people in them. */
@RestController
class PeopleController {
    record NewPerson(
            @Nullable UUID term,
            @Nullable String name,
            @Nullable String signIn,
            @Nullable String password,
            @Nullable Role role) {}

    private final Accounts accounts;
    private final Terms terms;

    PeopleController(Accounts accounts, Terms terms) {
        this.accounts = accounts;
        this.terms = terms;
    }

    @Allow(Permission.TERM_STAFF)
    @GetMapping("/api/terms/{term}/people")
    List<Person> inTerm(@PathVariable UUID term) {
        return terms.people(term);
    }

    @Allow(Permission.LEAD)
    @PostMapping("/api/people")
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<Person> add(@RequestBody NewPerson given) {
        if (given.term == null || given.role == null)
            throw new InvalidValue("account", new Fault(given.term == null ? "term" : "role", "", "is missing"));
        terms.term(given.term);
        var id = accounts.addTo(given.term, or(given.name), or(given.signIn), or(given.password), given.role);
        return Made.at("/api/people/" + id, accounts.person(id));
    }

    private static String or(@Nullable String text) {
        return text == null ? "" : text;
    }
}
