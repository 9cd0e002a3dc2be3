package palmtally.server.people;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.server.problem.Refusal;

/** Terms, and who is in them. */
@Service
public class Terms {
    /** A term with where it stands today. */
    public record TermView(
            UUID id, String name, String cohort, LocalDate startsOn, int weeks, double week, boolean archived) {}

    private final TermRows rows;
    private final AccountRows accounts;
    private final Access access;
    private final Clock clock;

    Terms(TermRows rows, AccountRows accounts, Access access, Clock clock) {
        this.rows = rows;
        this.accounts = accounts;
        this.access = access;
        this.clock = clock;
    }

    public Term add(String name, String cohort, LocalDate startsOn, int weeks) {
        check(name, cohort, weeks);
        var term = new Term(UUID.randomUUID(), name, cohort, startsOn, weeks, null);
        rows.add(term);
        return term;
    }

    public void change(UUID id, String name, String cohort, LocalDate startsOn, int weeks) {
        check(name, cohort, weeks);
        mustBeOpen(id);
        rows.change(id, name, cohort, startsOn, weeks);
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
        if (rows.archive(term, archived, clock.instant()) == 0) throw Refusal.notFound("term");
        access.changed();
    }

    /** Ends a term: it goes into the archive. */
    public void close(UUID term, Caller by) {
        rows.close(term, clock.instant(), by.id());
        archive(term, true);
    }

    public void reopen(UUID term) {
        rows.close(term, null, null);
        archive(term, false);
    }

    /** When it was ended, or null. */
    public @Nullable Instant closedAt(UUID term) {
        return rows.closedAt(term);
    }

    /** Counts up with each change of what its students have been seen to do. */
    public long tracked(UUID term) {
        return rows.tracked(term);
    }

    public void track(UUID term) {
        rows.track(term);
    }

    /** Whether a term is over and in the archive. */
    public boolean archived(UUID term) {
        return rows.archived(term).orElseThrow(() -> Refusal.notFound("term"));
    }

    /** @throws Refusal 409 where the term is in the archive */
    public void mustBeOpen(UUID term) {
        if (archived(term))
            throw Refusal.conflict(
                    "archived", "This term is in the archive and is read only. Take it out of the archive first.");
    }

    public boolean has(UUID id) {
        return rows.byId(id).isPresent();
    }

    public Term term(UUID id) {
        return rows.byId(id).orElseThrow(() -> Refusal.notFound("term"));
    }

    /** Terms the caller has to do with, newest first. */
    public List<TermView> of(Caller caller) {
        var today = LocalDate.now(clock);
        return (caller.role() == Role.LEAD ? rows.all(today) : rows.of(caller.id(), today))
                .stream()
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

    /** The newest term somebody is in. */
    public Optional<Term> newestOf(UUID account) {
        return rows.of(account, LocalDate.now(clock)).stream().findFirst();
    }

    public void enrol(UUID term, UUID account) {
        rows.enrol(term, account, null);
    }

    /** Takes somebody into a term from today on where its first week is over, else from its beginning. */
    void enrolNow(UUID term, UUID account) {
        rows.enrol(term, account, term(term).joining(LocalDate.now(clock)));
        rows.comeBack(term, account);
        rows.forgetLeft(term, account);
    }

    /** The students of a term with those who left it, by name. */
    public List<Attendee> attendees(UUID term) {
        return rows.attendees(term);
    }

    /** Takes somebody of the school into a term that goes on; who is in it stays so. */
    public void join(UUID term, UUID account) {
        mustBeOpen(term);
        if (accounts.byId(account).isEmpty()) throw Refusal.notFound("person");
        enrolNow(term, account);
        access.changed();
    }

    /** Takes somebody out of a term; what was seen of them stays. */
    @Transactional
    public void leave(UUID term, UUID account) {
        mustBeOpen(term);
        rows.keepLeft(term, account, LocalDate.now(clock));
        if (rows.leave(term, account) == 0) throw Refusal.notFound("person in this term");
        access.changed();
    }

    /** Whether somebody is in a term that goes on. */
    public boolean inOpen(UUID account) {
        return rows.inOpen(account);
    }

    public List<Person> people(UUID term) {
        return accounts.inTerm(term).stream().map(Account::person).toList();
    }

    public List<Person> students(UUID term) {
        return people(term).stream().filter(p -> p.role() == Role.STUDENT).toList();
    }
}
