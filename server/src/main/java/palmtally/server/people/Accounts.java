package palmtally.server.people;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.server.problem.Refusal;

/** Who there is, what they sign in with, and until when. */
@Service
public class Accounts {
    /** Somebody with what they sign in with; the password only in the moment it was made. */
    public record SignInSheet(
            UUID id,
            String name,
            String signIn,
            Role role,
            @Nullable String password) {}

    /** How somebody's sign-in stands. */
    public record SignInState(
            UUID id,
            String name,
            String signIn,
            Role role,
            boolean disabled,
            @Nullable LocalDate expiresOn) {}

    private final AccountRows rows;
    private final TermRows terms;
    private final Access access;
    private final PasswordEncoder passwords;
    private final KnownDevices devices;
    private final Clock clock;
    private final String nobody;

    Accounts(
            AccountRows rows,
            TermRows terms,
            Access access,
            PasswordEncoder passwords,
            KnownDevices devices,
            Clock clock) {
        this.rows = rows;
        this.terms = terms;
        this.access = access;
        this.devices = devices;
        this.passwords = passwords;
        this.clock = clock;
        // Compared against when there is no such sign-in, so that the answer takes as long.
        this.nobody = hash("nobody");
    }

    boolean none() {
        return rows.none();
    }

    /** Somebody as who they are, where they may sign in today. */
    public Optional<Caller> standing(UUID id) {
        return standing(id, LocalDate.now(clock));
    }

    /** Somebody as who they are, where they may sign in on a day. */
    Optional<Caller> standing(UUID id, LocalDate day) {
        return rows.byId(id).filter(a -> a.good(day)).map(Account::caller);
    }

    /** Everybody of the school who teaches or grades and may sign in, by name. */
    public List<Person> staff() {
        var today = LocalDate.now(clock);
        return rows.all().stream()
                .filter(a -> a.role().staff() && a.good(today))
                .map(Account::person)
                .sorted(Comparator.comparing(Person::name).thenComparing(Person::id))
                .toList();
    }

    /** Everybody who is or was a student here, with what they sign in with. */
    public List<SignInState> students() {
        return rows.all().stream()
                .filter(a -> a.role() == Role.STUDENT)
                .map(Accounts::state)
                .toList();
    }

    public Person person(UUID id) {
        return account(id).person();
    }

    /** Whether there is somebody of that id whose name was not erased. */
    public boolean known(UUID id) {
        return rows.byId(id).filter(a -> a.erasedAt() == null).isPresent();
    }

    /** @throws Refusal 404 unless it is a student, and not erased */
    public Person student(UUID id) {
        var account = account(id);
        if (account.role() != Role.STUDENT || account.erasedAt() != null) throw Refusal.notFound("student");
        return account.person();
    }

    /** Students who are in no open term any more: what is kept of them can be erased. */
    public List<Person> gone() {
        return rows.gone().stream().map(Account::person).toList();
    }

    /** A student who is gone, and since when. */
    public record GoneSince(UUID id, String name, LocalDate since) {}

    /** Those who are gone since that day or longer, the longest first. */
    public List<GoneSince> goneSince(LocalDate day, int most) {
        return rows.goneSince(day, clock.getZone().getId(), most);
    }

    private Account account(UUID id) {
        return rows.byId(id).orElseThrow(() -> Refusal.notFound("person"));
    }

    Optional<Account> bySignIn(String signIn) {
        return rows.bySignIn(SignInName.key(signIn));
    }

    /** The account behind a sign-in, or empty when they do not belong together. */
    Optional<Caller> check(String signIn, String password) {
        var account = bySignIn(signIn);
        boolean right =
                passwords.matches(password, account.map(Account::password).orElse(nobody));
        return account.filter(a -> right && a.good(LocalDate.now(clock))).map(Account::caller);
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
            rows.add(
                    new Account(id, name.strip(), signIn, hash(password), role, null, null, null),
                    SignInName.key(signIn),
                    clock.instant());
        } catch (DuplicateKeyException e) {
            throw new InvalidValue("account", new Fault("signIn", signIn, "is taken"));
        }
        return id;
    }

    @Transactional
    public UUID addTo(UUID term, String name, String signIn, String password, Role role) {
        var id = add(name, signIn, password, role);
        var of = terms.byId(term).orElseThrow(() -> Refusal.notFound("term"));
        terms.enrol(term, id, of.joining(LocalDate.now(clock)));
        return id;
    }

    /**
     * Somebody of no term, who may sign in until a day is over; the password is told here and never again.
     *
     * @throws InvalidValue naming every field that will not do
     */
    @Transactional
    public SignInSheet addUntil(LocalDate lastDay, String name, String signIn, Role role) {
        var password = Passwords.fresh();
        var id = add(name, signIn, password, role);
        rows.expire(id, lastDay);
        return new SignInSheet(id, name.strip(), signIn, role, password);
    }

    /** A new password for somebody, told once; whoever is signed in as them is signed out. */
    @Transactional
    public SignInSheet resetPassword(UUID id) {
        var a = account(id);
        var password = Passwords.fresh();
        rows.setPassword(id, hash(password));
        rows.endSessions(id.toString());
        access.changed();
        devices.forget(id);
        return new SignInSheet(a.id(), a.name(), a.signIn(), a.role(), password);
    }

    /**
     * One's own password; whoever else is signed in with the old one is signed out.
     *
     * @param session the one that stays
     * @throws InvalidValue where the old one is wrong or the new one will not do
     */
    @Transactional
    public void changePassword(Caller caller, String old, String fresh, String session) {
        var a = account(caller.id());
        if (!passwords.matches(old, a.password()))
            throw new InvalidValue("password", new Fault("old", "", "is not your password"));
        var faults = PasswordRule.faults("password", fresh, a.signIn());
        if (!faults.isEmpty()) throw new InvalidValue("password", faults);
        rows.setPassword(a.id(), hash(fresh));
        rows.endOtherSessions(a.id().toString(), session);
        access.changed();
    }

    /** Gives these the password that belongs to their sign-in, where they have another: for the demo. */
    @Transactional
    public void setPasswords(Set<String> signIns, UnaryOperator<String> ofSignIn) {
        for (var a : rows.all()) {
            if (!signIns.contains(a.signIn())) continue;
            var password = ofSignIn.apply(a.signIn());
            if (!passwords.matches(password, a.password())) rows.setPassword(a.id(), hash(password));
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
    public void disable(Caller caller, UUID id, boolean disabled) {
        var a = account(id);
        if (disabled && a.id().equals(caller.id())) throw ownself();
        rows.disable(id, disabled ? clock.instant() : null);
        if (disabled) rows.endSessions(id.toString());
        access.changed();
    }

    /** The last day on which somebody may sign in, or null for no end. */
    @Transactional
    public void expire(Caller caller, UUID id, @Nullable LocalDate day) {
        account(id);
        if (id.equals(caller.id()) && day != null && day.isBefore(LocalDate.now(clock))) throw ownself();
        rows.expire(id, day);
        endSessionsOfThoseShutOut();
    }

    private static Refusal ownself() {
        return Refusal.conflict("oneself", "You cannot shut yourself out; another lead does that.");
    }

    @Scheduled(initialDelay = 1, fixedDelay = 1, timeUnit = TimeUnit.MINUTES)
    void endSessionsOfThoseShutOut() {
        if (rows.endSessionsOfThoseShutOut(LocalDate.now(clock)) > 0) access.changed();
    }

    /** How the sign-ins of a term stand, for the lead. */
    List<SignInState> signIns(UUID term) {
        return rows.inTerm(term).stream().map(Accounts::state).toList();
    }

    SignInState signIn(UUID id) {
        return state(account(id));
    }

    private static SignInState state(Account a) {
        return new SignInState(a.id(), a.name(), a.signIn(), a.role(), a.disabledAt() != null, a.expiresOn());
    }
}
