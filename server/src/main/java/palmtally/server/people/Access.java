package palmtally.server.people;

import java.time.Clock;
import java.time.LocalDate;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicLong;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import palmtally.server.problem.Refusal;

/** Who may see whose records. */
@Service
public class Access {
    static final String CHANNEL = "access";

    /** More changes than a day has. */
    private static final long DAY = 1L << 40;

    private final TermRows terms;
    private final Clock clock;
    private final AtomicLong changes = new AtomicLong();

    Access(TermRows terms, Clock clock) {
        this.terms = terms;
        this.clock = clock;
    }

    /** Whether the caller leads the school, is staff of the term, or takes a lab of it today in the place of another. */
    public boolean teaches(Caller caller, UUID term) {
        return belongs(caller, term) || substitutes(caller, term);
    }

    /** Whether the caller takes a lab of the term today in the place of another. */
    public boolean substitutes(Caller caller, UUID term) {
        return caller.role().staff() && terms.substituted(term, caller.id(), LocalDate.now(clock));
    }

    /** Whether the caller leads the school or is staff of the term all along. */
    public boolean belongs(Caller caller, UUID term) {
        return caller.role() == Role.LEAD || caller.role().staff() && terms.has(term, caller.id());
    }

    /** @throws Refusal 403 unless the caller {@link #teaches} in the term; 404 where the lead names a term that is not there */
    public void mustTeach(Caller caller, UUID term) {
        if (!teaches(caller, term)) throw Refusal.forbidden("This term is not yours to see.");
        if (terms.byId(term).isEmpty()) throw Refusal.notFound("term");
    }

    /** @throws Refusal 403 unless the caller is that student, teaches one of their terms, or leads the school */
    public void maySee(Caller caller, UUID student) {
        if (caller.role() == Role.LEAD || caller.id().equals(student)) return;
        if (caller.role().staff() && terms.taught(caller.id(), student, LocalDate.now(clock))) return;
        throw Refusal.forbidden("This record is not yours to see.");
    }

    /**
     * Another number whenever who may do what has changed, here or at another server of the school, and with each day, as what a
     * substitute may ends with theirs: what was kept of it is asked again.
     */
    public long changes() {
        return changes.get() + DAY * LocalDate.now(clock).toEpochDay();
    }

    /** It has changed somewhere. */
    void heard() {
        changes.incrementAndGet();
    }

    /** Says that who may do what has changed; in a transaction again after it, as what is read meanwhile may be of before. */
    void changed() {
        changes.incrementAndGet();
        // The others hear of it when it is stored.
        terms.tell(CHANNEL);
        if (TransactionSynchronizationManager.isSynchronizationActive())
            TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
                @Override
                public void afterCommit() {
                    changes.incrementAndGet();
                }
            });
    }
}
