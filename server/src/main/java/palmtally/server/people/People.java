package palmtally.server.people;

import java.text.Normalizer;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.formats.ClassList;
import palmtally.server.problem.Refusal;

/** Accounts, terms, and who may see whose records. */
@Service
public class People {
    /** Somebody as others see them. */
    public record Person(UUID id, String name, Role role) {}

    /** A term with where it stands today. */
    public record TermView(
            UUID id, String name, String cohort, LocalDate startsOn, int weeks, double week, boolean archived) {}

    /** Somebody with what they sign in with; the password only in the moment it was made. */
    public record SignInSheet(
            UUID id,
            String name,
            String signIn,
            Role role,
            @Nullable String password) {}

    /** What a line of a class list does: a new account, or one that is there and joins the term. */
    public record ClassLine(int row, String name, String signIn, Role role, boolean isNew, boolean inTerm) {}

    private final PeopleMapper mapper;
    private final PasswordEncoder passwords;
    private final KnownDevices devices;
    private final Clock clock;
    private final AtomicLong changes = new AtomicLong();
    private final String nobody;

    People(PeopleMapper mapper, PasswordEncoder passwords, KnownDevices devices, Clock clock) {
        this.mapper = mapper;
        this.devices = devices;
        this.passwords = passwords;
        this.clock = clock;
        // Compared against when there is no such sign-in, so that the answer takes as long.
        this.nobody = hash("nobody");
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
        var account = mapper.bySignIn(SignInName.key(signIn));
        boolean right =
                passwords.matches(password, account.map(Account::password).orElse(nobody));
        return account.filter(a -> right && a.good(LocalDate.now(clock)))
                .map(a -> new Caller(a.id(), a.name(), Role.of(a.role())));
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
        faults.addAll(PasswordRule.faults("password", password, signIn));
        if (!faults.isEmpty()) throw new InvalidValue("account", faults);
        var id = UUID.randomUUID();
        try {
            mapper.add(
                    new Account(id, name.strip(), signIn, hash(password), role.toString(), null, null),
                    SignInName.key(signIn));
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
        check(name, cohort, weeks);
        var term = new Term(UUID.randomUUID(), name, cohort, startsOn, weeks, null);
        mapper.addTerm(term);
        return term;
    }

    public void changeTerm(UUID id, String name, String cohort, LocalDate startsOn, int weeks) {
        check(name, cohort, weeks);
        mustBeOpen(id);
        mapper.changeTerm(id, name, cohort, startsOn, weeks);
    }

    private static void check(String name, String cohort, int weeks) {
        var faults = new ArrayList<Fault>();
        if (name.isBlank() || name.length() > 200) faults.add(new Fault("name", name, "must be 1 to 200 characters"));
        if (cohort.isBlank() || cohort.length() > 200)
            faults.add(new Fault("cohort", cohort, "must be 1 to 200 characters"));
        if (weeks < 1 || weeks > 60) faults.add(new Fault("weeks", String.valueOf(weeks), "must be 1 to 60"));
        if (!faults.isEmpty()) throw new InvalidValue("term", faults);
    }

    /** Puts a term into the archive, where it is read only, or takes it out again. */
    public void archive(UUID term, boolean archived) {
        if (mapper.archive(term, archived, clock.instant()) == 0) throw Refusal.notFound("term");
        changed();
    }

    /**
     * What a class list would do to a term.
     *
     * @throws InvalidValue naming each row whose sign-in belongs to somebody of another name or role
     */
    public List<ClassLine> readClass(UUID term, List<ClassList.Entry> entries) {
        term(term);
        var taken = new HashSet<String>();
        var faults = new ArrayList<Fault>();
        var lines = new ArrayList<ClassLine>();
        entries.forEach(e -> {
            if (e.signIn() != null) taken.add(SignInName.key(e.signIn()));
        });
        var inTerm = mapper.inTerm(term).stream().map(Account::id).toList();
        for (var e : entries) {
            var given = e.signIn();
            var there = given == null ? Optional.<Account>empty() : mapper.bySignIn(SignInName.key(given));
            if (there.isPresent()) {
                var a = there.get();
                if (!a.name().equalsIgnoreCase(e.name()) || !a.role().equals(e.role()))
                    faults.add(new Fault(
                            "row " + e.row() + ", sign-in", a.signIn(), "is that of " + a.name() + ", " + a.role()));
                lines.add(new ClassLine(
                        e.row(), a.name(), a.signIn(), Role.of(a.role()), false, inTerm.contains(a.id())));
            } else
                lines.add(new ClassLine(
                        e.row(),
                        e.name(),
                        given == null ? madeOf(e.name(), taken) : given,
                        Role.of(e.role()),
                        true,
                        false));
        }
        if (!faults.isEmpty()) throw new InvalidValue("class list", faults);
        return lines;
    }

    /** A sign-in out of a name: the first name, then with letters of the last, then with a number, until nobody has it. */
    private String madeOf(String name, Set<String> taken) {
        var parts = Normalizer.normalize(name, Normalizer.Form.NFD)
                .replaceAll("\\p{M}+", "")
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^\\p{L}\\p{N} ]+", "")
                .strip()
                .split(" +");
        var first = parts[0].isEmpty() ? "person" : parts[0];
        var last = parts.length > 1 ? parts[parts.length - 1] : "";
        for (int i = 0; ; i++) {
            var tried = i <= last.length()
                    ? first + (i == 0 ? "" : "." + last.substring(0, i))
                    : first + (last.isEmpty() ? "" : "." + last) + (i - last.length() + 1);
            if (tried.length() > 100) tried = tried.substring(0, 90) + i;
            if (!taken.contains(tried) && mapper.bySignIn(SignInName.key(tried)).isEmpty()) {
                taken.add(tried);
                return tried;
            }
        }
    }

    /** Takes a class list: makes what accounts are missing, each with a password that is told once, and enrols all; all or nothing. */
    @Transactional
    public List<SignInSheet> takeClass(UUID term, List<ClassList.Entry> entries) {
        mustBeOpen(term);
        var sheets = new ArrayList<SignInSheet>();
        for (var line : readClass(term, entries)) {
            var password = line.isNew ? Passwords.fresh() : null;
            var id = password == null
                    ? mapper.bySignIn(SignInName.key(line.signIn)).orElseThrow().id()
                    : add(line.name, line.signIn, password, line.role);
            mapper.enrol(term, id);
            sheets.add(new SignInSheet(id, line.name, line.signIn, line.role, password));
        }
        return sheets;
    }

    /** Takes somebody out of a term; what was seen of them stays. */
    public void leave(UUID term, UUID account) {
        mustBeOpen(term);
        if (mapper.leave(term, account) == 0) throw Refusal.notFound("person in this term");
        changed();
    }

    /** A new password for somebody, told once; whoever is signed in as them is signed out. */
    @Transactional
    public SignInSheet resetPassword(UUID account) {
        var a = mapper.byId(account).orElseThrow(() -> Refusal.notFound("person"));
        var password = Passwords.fresh();
        mapper.setPassword(account, hash(password));
        mapper.endSessions(account.toString());
        changed();
        devices.forget(account);
        return new SignInSheet(a.id(), a.name(), a.signIn(), Role.of(a.role()), password);
    }

    /**
     * One's own password; whoever else is signed in with the old one is signed out.
     *
     * @param session the one that stays
     * @throws InvalidValue where the old one is wrong or the new one will not do
     */
    @Transactional
    public void changePassword(Caller caller, String old, String fresh, String session) {
        var a = mapper.byId(caller.id()).orElseThrow(() -> Refusal.notFound("person"));
        if (!passwords.matches(old, a.password()))
            throw new InvalidValue("password", new Fault("old", "", "is not your password"));
        var faults = PasswordRule.faults("password", fresh, a.signIn());
        if (!faults.isEmpty()) throw new InvalidValue("password", faults);
        mapper.setPassword(a.id(), hash(fresh));
        mapper.endOtherSessions(a.id().toString(), session);
        changed();
    }

    /** Gives these the password that belongs to their sign-in, where they have another: for the demo. */
    @Transactional
    public void setPasswords(Set<String> signIns, UnaryOperator<String> ofSignIn) {
        for (var a : mapper.all()) {
            if (!signIns.contains(a.signIn())) continue;
            var password = ofSignIn.apply(a.signIn());
            if (!passwords.matches(password, a.password())) mapper.setPassword(a.id(), hash(password));
        }
    }

    private String hash(String password) {
        return Objects.requireNonNull(passwords.encode(password));
    }

    /**
     * Shuts somebody out at once, or lets them in again: their sessions end, and what was seen of them stays.
     *
     * @throws Refusal 409 where the lead would shut themselves out
     */
    @Transactional
    public void disable(Caller caller, UUID account, boolean disabled) {
        var a = mapper.byId(account).orElseThrow(() -> Refusal.notFound("person"));
        if (disabled && a.id().equals(caller.id()))
            throw Refusal.conflict("oneself", "You cannot shut yourself out; another lead does that.");
        mapper.disable(account, disabled ? clock.instant() : null);
        if (disabled) mapper.endSessions(account.toString());
        changed();
    }

    /** The last day on which somebody may sign in, or null for no end. */
    @Transactional
    public void expire(Caller caller, UUID account, @Nullable LocalDate day) {
        mapper.byId(account).orElseThrow(() -> Refusal.notFound("person"));
        if (account.equals(caller.id()) && day != null && day.isBefore(LocalDate.now(clock)))
            throw Refusal.conflict("oneself", "You cannot shut yourself out; another lead does that.");
        mapper.expire(account, day);
        endSessionsOfThoseShutOut();
    }

    @Scheduled(initialDelay = 1, fixedDelay = 1, timeUnit = TimeUnit.MINUTES)
    void endSessionsOfThoseShutOut() {
        if (mapper.endSessionsOfThoseShutOut(LocalDate.now(clock)) > 0) changed();
    }

    /** How somebody's sign-in stands. */
    public record SignInState(
            UUID id,
            String name,
            String signIn,
            Role role,
            boolean disabled,
            @Nullable LocalDate expiresOn) {}

    /** How the sign-ins of a term stand, for the lead. */
    public List<SignInState> signIns(UUID term) {
        term(term);
        return mapper.inTerm(term).stream().map(People::state).toList();
    }

    SignInState signIn(UUID account) {
        return mapper.byId(account).map(People::state).orElseThrow(() -> Refusal.notFound("person"));
    }

    private static SignInState state(Account a) {
        return new SignInState(a.id(), a.name(), a.signIn(), Role.of(a.role()), a.disabledAt() != null, a.expiresOn());
    }

    public void enrol(UUID term, UUID account) {
        mapper.enrol(term, account);
    }

    /** Terms the caller has to do with, newest first. */
    public List<TermView> terms(Caller caller) {
        var terms = caller.role() == Role.LEAD
                ? mapper.terms(LocalDate.now(clock))
                : mapper.termsOf(caller.id(), LocalDate.now(clock));
        return terms.stream()
                .map(t -> new TermView(
                        t.id(),
                        t.name(),
                        t.cohort(),
                        t.startsOn(),
                        t.weeks(),
                        t.week(clock.instant(), clock.getZone()),
                        t.archivedAt() != null))
                .toList();
    }

    public boolean hasTerm(UUID id) {
        return mapper.term(id).isPresent();
    }

    public Term term(UUID id) {
        return mapper.term(id).orElseThrow(() -> Refusal.notFound("term"));
    }

    /** Whether a term is over and in the archive. */
    public boolean archived(UUID term) {
        return mapper.archived(term).orElseThrow(() -> Refusal.notFound("term"));
    }

    /** @throws Refusal 409 where the term is in the archive */
    public void mustBeOpen(UUID term) {
        if (archived(term))
            throw Refusal.conflict(
                    "archived", "This term is in the archive and is read only. Take it out of the archive first.");
    }

    /** The newest term somebody is in. */
    public Optional<Term> termOf(UUID account) {
        return mapper.termsOf(account, LocalDate.now(clock)).stream().findFirst();
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

    /** @throws Refusal 403 unless the caller leads the school or is staff of the term; 404 where the lead names a term that is not there */
    public void mustTeach(Caller caller, UUID term) {
        if (caller.role() == Role.LEAD) {
            term(term);
            return;
        }
        if (!teaches(caller, term)) throw Refusal.forbidden("This term is not yours to see.");
    }

    /** Whether the caller leads the school or is staff of the term. */
    public boolean teaches(Caller caller, UUID term) {
        return caller.role() == Role.LEAD
                || caller.role().staff()
                        && mapper.termsOf(caller.id(), LocalDate.now(clock)).stream()
                                .anyMatch(t -> t.id().equals(term));
    }

    /** Counts up whenever who may do what has changed, here or, within a few seconds, elsewhere: what was kept of it is asked again. */
    public long changes() {
        return changes.get();
    }

    /** Says that who may do what has changed; in a transaction again after it, as what is read meanwhile may be of before. */
    void changed() {
        changes.incrementAndGet();
        if (TransactionSynchronizationManager.isSynchronizationActive())
            TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
                @Override
                public void afterCommit() {
                    changes.incrementAndGet();
                }
            });
    }

    /** @throws Refusal 403 unless the caller is that student, teaches one of their terms, or leads the school */
    public void maySee(Caller caller, UUID student) {
        if (caller.role() == Role.LEAD || caller.id().equals(student)) return;
        if (caller.role().staff() && mapper.shareTerm(caller.id(), student)) return;
        throw Refusal.forbidden("This record is not yours to see.");
    }
}
