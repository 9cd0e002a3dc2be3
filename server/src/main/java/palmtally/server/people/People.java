package palmtally.server.people;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.server.problem.Refusal;

/** Accounts, terms, and who may see whose records. */
@Service
public class People {
    /** Somebody as others see them. */
    public record Person(UUID id, String name, Role role) {}

    /** A term with where it stands today. */
    public record TermView(UUID id, String name, String cohort, LocalDate startsOn, int weeks, double week) {}

    private final PeopleMapper mapper;
    private final PasswordEncoder passwords;
    private final Clock clock;
    private final String nobody;

    People(PeopleMapper mapper, PasswordEncoder passwords, Clock clock) {
        this.mapper = mapper;
        this.passwords = passwords;
        this.clock = clock;
        // Compared against when there is no such sign-in, so that the answer takes as long.
        this.nobody = passwords.encode("nobody");
    }

    public boolean empty() {
        return mapper.count() == 0;
    }

    public String school() {
        return mapper.school().orElse("");
    }

    /** Id of the profile that new practicals are judged by. */
    public String schoolProfile() {
        return mapper.schoolProfile().orElse("by-seconds");
    }

    public void setSchoolProfile(String profile) {
        mapper.setSchoolProfile(profile);
    }

    /** The account behind a sign-in, or empty when they do not belong together. */
    Optional<Caller> check(String signIn, String password) {
        var account = mapper.bySignIn(signIn.strip());
        boolean right =
                passwords.matches(password, account.map(Account::password).orElse(nobody));
        return account.filter(a -> right).map(a -> new Caller(a.id(), a.name(), Role.of(a.role())));
    }

    /** The first visit to an empty school: its lead, and a first term to work in. */
    @Transactional
    public Caller open(String school, String name, String signIn, String password) {
        var lead = setUp(school, name, signIn, password);
        enrol(addTerm("First term", "First cohort", LocalDate.now(clock), 15).id(), lead.id());
        return lead;
    }

    /** The first account of an empty school. */
    @Transactional
    public Caller setUp(String school, String name, String signIn, String password) {
        mapper.lockSetup();
        if (!empty()) throw Refusal.conflict("already-set-up", "This school has its lead already; sign in instead.");
        if (school.isBlank() || school.length() > 200)
            throw new InvalidValue("school", new Fault("school", school, "must be 1 to 200 characters"));
        mapper.addSchool(school.strip(), "by-seconds");
        var id = add(name, signIn, password, Role.LEAD);
        return new Caller(id, name, Role.LEAD);
    }

    /** @throws InvalidValue naming every field that will not do */
    public UUID add(String name, String signIn, String password, Role role) {
        var faults = new ArrayList<Fault>();
        if (name.isBlank() || name.length() > 200) faults.add(new Fault("name", name, "must be 1 to 200 characters"));
        if (signIn.isBlank() || signIn.length() > 100 || !signIn.equals(signIn.strip()))
            faults.add(new Fault("signIn", signIn, "must be 1 to 100 characters without space around"));
        if (password.length() < 10 || password.length() > 200)
            faults.add(new Fault("password", "", "must be 10 to 200 characters"));
        if (!faults.isEmpty()) throw new InvalidValue("account", faults);
        var id = UUID.randomUUID();
        try {
            mapper.add(new Account(id, name.strip(), signIn, passwords.encode(password), role.toString()));
        } catch (DuplicateKeyException e) {
            throw new InvalidValue("account", new Fault("signIn", signIn, "is taken"));
        }
        return id;
    }

    @Transactional
    public UUID addTo(UUID term, String name, String signIn, String password, Role role) {
        var id = add(name, signIn, password, role);
        mapper.enrol(term, id);
        return id;
    }

    public Term addTerm(String name, String cohort, LocalDate startsOn, int weeks) {
        var term = new Term(UUID.randomUUID(), name, cohort, startsOn, weeks);
        mapper.addTerm(term);
        return term;
    }

    public void enrol(UUID term, UUID account) {
        mapper.enrol(term, account);
    }

    /** Terms the caller has to do with, newest first. */
    public List<TermView> terms(Caller caller) {
        var terms = caller.role() == Role.LEAD ? mapper.terms() : mapper.termsOf(caller.id());
        return terms.stream()
                .map(t -> new TermView(t.id(), t.name(), t.cohort(), t.startsOn(), t.weeks(), t.week(clock.instant())))
                .toList();
    }

    public Term term(UUID id) {
        return mapper.term(id).orElseThrow(() -> Refusal.notFound("term"));
    }

    /** The newest term somebody is in. */
    public Optional<Term> termOf(UUID account) {
        return mapper.termsOf(account).stream().findFirst();
    }

    public List<Person> students(UUID term) {
        return mapper.inTerm(term).stream()
                .filter(a -> Role.of(a.role()) == Role.STUDENT)
                .map(a -> new Person(a.id(), a.name(), Role.STUDENT))
                .toList();
    }

    public List<Person> inTerm(UUID term) {
        return mapper.inTerm(term).stream()
                .map(a -> new Person(a.id(), a.name(), Role.of(a.role())))
                .toList();
    }

    public Person person(UUID id) {
        return mapper.byId(id)
                .map(a -> new Person(a.id(), a.name(), Role.of(a.role())))
                .orElseThrow(() -> Refusal.notFound("person"));
    }

    /** @throws Refusal 403 unless the caller leads the school or is staff of the term */
    public void mustTeach(Caller caller, UUID term) {
        if (caller.role() == Role.LEAD) return;
        if (caller.role().staff() && mapper.termsOf(caller.id()).stream().anyMatch(t -> t.id().equals(term))) return;
        throw Refusal.forbidden("This term is not yours to see.");
    }

    /** @throws Refusal 403 unless the caller is that student, teaches one of their terms, or leads the school */
    public void maySee(Caller caller, UUID student) {
        if (caller.role() == Role.LEAD || caller.id().equals(student)) return;
        if (caller.role().staff() && mapper.shareTerm(caller.id(), student)) return;
        throw Refusal.forbidden("This record is not yours to see.");
    }
}
