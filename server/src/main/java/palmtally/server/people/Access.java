package palmtally.server.people;

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

    private final TermRows terms;
    private final AtomicLong changes = new AtomicLong();

    Access(TermRows terms) {
        this.terms = terms;
    }

    /** Whether the caller leads the school or is staff of the term. */
    public boolean teaches(Caller caller, UUID term) {
        return caller.role() == Role.LEAD || caller.role().staff() && terms.has(term, caller.id());
    }

    /** @throws Refusal 403 unless the caller leads the school or is staff of the term; 404 where the lead names a term that is not there */
    public void mustTeach(Caller caller, UUID term) {
        if (!teaches(caller, term)) throw Refusal.forbidden("This term is not yours to see.");
        if (terms.byId(term).isEmpty()) throw Refusal.notFound("term");
    }

    /** @throws Refusal 403 unless the caller is that student, teaches one of their terms, or leads the school */
    public void maySee(Caller caller, UUID student) {
        if (caller.role() == Role.LEAD || caller.id().equals(student)) return;
        if (caller.role().staff() && terms.shared(caller.id(), student)) return;
        throw Refusal.forbidden("This record is not yours to see.");
    }

    /** Counts up whenever who may do what has changed, here or at another server of the school: what was kept of it is asked again. */
    public long changes() {
        return changes.get();
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
