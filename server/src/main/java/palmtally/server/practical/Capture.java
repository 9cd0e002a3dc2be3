package palmtally.server.practical;

import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Region;
import palmtally.core.practical.Practical;
import palmtally.core.practical.Run;
import palmtally.core.practical.event.Attend;
import palmtally.core.practical.event.Event;
import palmtally.core.practical.event.Finish;
import palmtally.core.practical.event.Undo;
import palmtally.core.sequence.Sequence;
import palmtally.server.people.Access;
import palmtally.server.people.Caller;
import palmtally.server.people.Terms;
import palmtally.server.practical.PracticalRows.Row;
import palmtally.server.problem.Refusal;
import palmtally.server.profile.Profiles;
import palmtally.server.sequence.Sequences;

/** What is seen, written down: every event once, whoever sends it and however often. */
@Service
class Capture {
    /** Events of one request; more come in several. */
    static final int MOST_AT_ONCE = 1000;

    /** What one handset says in a practical: several times more than a client has to say. */
    static final int MOST_OF_A_HANDSET = 600;

    /** Room that is kept for the end of a practical: a finish, and what takes it back. */
    private static final int KEPT_FOR_THE_END = 100;

    /** When it is asked again, beside the taps, who may write to a practical. */
    private static final Duration ASKED_AGAIN = Duration.ofSeconds(5);

    /** How long it is taken as told at most. */
    private static final Duration TRUSTED = Duration.ofSeconds(15);

    private final PracticalRows rows;
    private final Records records;
    private final Sequences sequences;
    private final Profiles profiles;
    private final Terms terms;
    private final Access access;
    private final EventLog log;
    private final TransactionTemplate transaction;
    private final Clock clock;
    private final Map<UUID, Known> knowns = new ConcurrentHashMap<>();
    private final ExecutorService aside = Executors.newSingleThreadExecutor(work -> {
        var thread = new Thread(work, "capture-asks");
        thread.setDaemon(true);
        return thread;
    });

    Capture(
            PracticalRows rows,
            Records records,
            Sequences sequences,
            Profiles profiles,
            Terms terms,
            Access access,
            EventLog log,
            TransactionTemplate transaction,
            Clock clock) {
        this.rows = rows;
        this.records = records;
        this.sequences = sequences;
        this.profiles = profiles;
        this.terms = terms;
        this.access = access;
        this.log = log;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** What does not change of a practical that is being graded, and how many events it had when it was last asked. */
    private static final class Known {
        final UUID term;
        final Sequence sequence;
        final AtomicInteger events;
        /** How much the handsets have said. */
        final Map<String, AtomicInteger> devices = new ConcurrentHashMap<>();

        volatile boolean finished;
        /** Who may write here, and when that was asked. */
        final Map<UUID, Asked> mayWrite = new ConcurrentHashMap<>();

        Known(UUID term, Sequence sequence, int events, boolean finished) {
            this.finished = finished;
            this.term = term;
            this.sequence = sequence;
            this.events = new AtomicInteger(events);
        }
    }

    /**
     * @param changes what {@link Access#changes} said when it was asked
     * @param again whether it is being asked again
     */
    private record Asked(Instant at, long changes, AtomicBoolean again) {}

    /** How many are stored now, and whether the practical is finished. */
    public record Stored(int events, boolean finished) {}

    /**
     * Stores events; each id once, however often it is sent. All of a request or none. What is scored is not asked here: a tap is
     * answered when it is on disk.
     *
     * @throws InvalidValue naming every event that cannot be meant, by its place in the request
     * @throws Refusal 409 where an id is stored already with other contents
     */
    public Stored append(Caller caller, UUID id, @Nullable List<Event> sent) {
        var known = known(id);
        var now = clock.instant();
        var asked = known.mayWrite.get(caller.id());
        if (asked == null
                || asked.changes != access.changes()
                || asked.at.plus(TRUSTED).isBefore(now)) ask(caller, id, known);
        else if (asked.at.plus(ASKED_AGAIN).isBefore(now) && asked.again.compareAndSet(false, true))
            aside.execute(() -> askAgain(caller, id, known));
        if (sent == null) throw new InvalidValue("events", new Fault("events", "", "is missing"));
        if (sent.size() > MOST_AT_ONCE)
            throw new InvalidValue(
                    "events",
                    new Fault("events", sent.size() + " events", "must be at most " + MOST_AT_ONCE + " at once"));
        return append(id, known, caller.id(), sent);
    }

    /** @throws Refusal where the caller may not write here, or not any more */
    private void ask(Caller caller, UUID id, Known known) {
        long changes = access.changes();
        try {
            var row = records.row(id);
            mayWrite(caller, row, known.sequence.region());
            // Another server may have written, or ended it, meanwhile.
            known.events.set(rows.countEvents(id));
            known.finished = row.finished();
        } catch (Refusal e) {
            known.mayWrite.remove(caller.id());
            throw e;
        }
        known.mayWrite.put(caller.id(), new Asked(clock.instant(), changes, new AtomicBoolean()));
    }

    /** While a tap goes on: it does not wait for what was so five seconds ago and is most likely so still. */
    private void askAgain(Caller caller, UUID id, Known known) {
        try {
            ask(caller, id, known);
        } catch (Refusal e) {
            // The next tap asks itself, and is told.
        } catch (RuntimeException e) {
            known.mayWrite.remove(caller.id());
        }
    }

    @PreDestroy
    void end() {
        aside.shutdown();
    }

    /** A grader writes where they teach; an observer only what they were asked to look at. */
    private void mayWrite(Caller caller, Row row, Region region) {
        if (row.kind() == Practicals.Kind.PEER_LOOK) {
            if (!row.graderId().equals(caller.id()))
                throw Refusal.forbidden("Only the student who was asked to watch writes here.");
            terms.mustBeOpen(row.termId());
            return;
        }
        records.mustWrite(caller, row.termId(), region);
        records.mustGradeIt(caller, row);
    }

    /** Stores what comes from a device that nobody signed in on; whoever calls has made sure that it belongs here. */
    void appendUnseen(UUID id, Event sent) {
        var known = known(id);
        var said = known.devices.computeIfAbsent(sent.device(), d -> new AtomicInteger(rows.countOf(id, d)));
        boolean stored = false;
        // Counted before it is stored: many that come at once are counted one after another.
        try {
            if (said.incrementAndGet() > MOST_OF_A_HANDSET)
                throw Refusal.enough(
                        "This handset has said more than a practical can hold; speak to the therapist instead.");
            append(id, known, null, List.of(sent));
            stored = true;
        } finally {
            if (!stored) said.decrementAndGet();
        }
    }

    boolean has(UUID id, String event) {
        return !rows.eventsOf(id, List.of(event)).isEmpty();
    }

    /** The number from which a report is too much, by the profile of a practical. */
    int tooMuch(Row row) {
        return profiles.version(row.profileVersionId()).document().pressure().tooMuch();
    }

    private Known known(UUID id) {
        return knowns.computeIfAbsent(id, i -> {
            var row = records.row(i);
            return new Known(
                    row.termId(),
                    sequences.version(row.sequenceVersionId()).document(),
                    rows.countEvents(i),
                    row.finished());
        });
    }

    private Stored append(UUID id, Known known, @Nullable UUID account, List<Event> sent) {
        Map<String, Event> mine = new HashMap<>();
        for (var e : sent) {
            var twice = mine.putIfAbsent(e.id(), e);
            if (twice != null && !same(twice, e))
                throw Refusal.conflict(
                        "event-differs", "Event " + e.id() + " is sent twice with other contents; nothing was stored.");
        }
        var refs = sent.stream()
                .map(e -> e.data().ref())
                .filter(r -> r != null && !mine.containsKey(r))
                .distinct()
                .toList();
        var there = new HashSet<String>();
        if (!refs.isEmpty()) rows.eventsOf(id, refs).forEach(e -> there.add(e.id()));
        var faults = Practical.faults(known.sequence, sent, r -> mine.containsKey(r) || there.contains(r));
        boolean end = mine.values().stream()
                .allMatch(e -> e.data() instanceof Finish || e.data() instanceof Undo || e.data() instanceof Attend);
        int most = end ? Practical.MOST_EVENTS : Practical.MOST_EVENTS - KEPT_FOR_THE_END;
        if (known.events.get() + mine.size() > most) {
            known.events.set(rows.countEvents(id));
            if (known.events.get() + mine.size() > most)
                faults.add(new Fault(
                        "events",
                        known.events.get() + mine.size() + " events",
                        "must be at most " + most + ". Finish this practical"));
        }
        if (!faults.isEmpty()) throw new InvalidValue("events", faults);
        if (mine.isEmpty()) return new Stored(known.events.get(), known.finished);
        int fresh =
                log.store(id, account, mine.values().stream().map(Records::row).toList());
        int events = known.events.addAndGet(fresh);
        boolean ends = mine.values().stream().anyMatch(e -> e.data() instanceof Finish || e.data() instanceof Undo);
        if (ends) known.finished = settle(id);
        return new Stored(events, known.finished);
    }

    /** Whether it is finished, told by what was seen: a finish may be undone. */
    private boolean settle(UUID id) {
        return Boolean.TRUE.equals(transaction.execute(s -> {
            var row = records.lock(id);
            boolean finished =
                    Run.of(records.practical(row)).events().stream().anyMatch(e -> e.data() instanceof Finish);
            if (finished != row.finished()) {
                rows.finish(id, finished);
                rows.finishLooks(id, finished);
            }
            return finished;
        }));
    }

    /** Wall time is for people: a clock set right between two sendings does not make another event. */
    private static boolean same(Event a, Event b) {
        return a.device().equals(b.device())
                && a.seq() == b.seq()
                && a.atMs() == b.atMs()
                && a.data().equals(b.data());
    }

    /** What was known of it is asked again: it changed otherwise than by an event. */
    void forget(UUID id) {
        knowns.remove(id);
    }
}
