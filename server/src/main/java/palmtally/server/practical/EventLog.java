package palmtally.server.practical;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.LinkedBlockingQueue;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import palmtally.formats.Json;
import palmtally.server.practical.PracticalRows.EventRow;
import palmtally.server.problem.Refusal;
import tools.jackson.databind.node.ArrayNode;

/**
 * Writes events down. Requests that come at the same moment, for whatever tables, share one transaction and one wait for the disk; each
 * is answered once its own are on it. All events of a request are stored, or none.
 */
@Service
class EventLog implements SmartLifecycle {
    private static final Logger log = LoggerFactory.getLogger(EventLog.class);

    /** Requests that share a transaction at most. */
    private static final int MOST_TOGETHER = 200;

    /** Two, so that one gathers while the other waits for the disk. */
    private static final int WRITERS = 2;

    /** The events of one request. */
    private record Batch(
            UUID practical, @Nullable UUID account, List<EventRow> events, CompletableFuture<Integer> stored) {}

    private final PracticalRows rows;
    private final TransactionTemplate transaction;
    private final BlockingQueue<Batch> queue = new LinkedBlockingQueue<>();
    private final List<Thread> writers = new ArrayList<>();
    private final Clock clock;
    private volatile boolean running;
    private volatile @Nullable Instant failedAt;

    EventLog(PracticalRows rows, TransactionTemplate transaction, Clock clock) {
        this.rows = rows;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** When the database last had no room or no strength for events; null once it stored some again. */
    @Nullable
    Instant failedAt() {
        return failedAt;
    }

    /**
     * Stores events and waits until they are on disk; one that is stored already with the same contents is passed over.
     *
     * @param account who sends them, or null for a device that nobody signed in on
     * @return how many were not there before
     * @throws Refusal 409 where an id is stored already with other contents; then none of these is stored
     */
    int store(UUID practical, @Nullable UUID account, List<EventRow> events) {
        var batch = new Batch(practical, account, events, new CompletableFuture<>());
        queue.add(batch);
        try {
            return batch.stored.join();
        } catch (CompletionException e) {
            if (e.getCause() instanceof RuntimeException cause) throw cause;
            throw e;
        }
    }

    private void write() {
        var together = new ArrayList<Batch>();
        while (running || !queue.isEmpty()) {
            together.clear();
            try {
                together.add(queue.take());
            } catch (InterruptedException e) {
                // Asked to end: what waits is still written.
                if (queue.isEmpty()) return;
                continue;
            }
            queue.drainTo(together, MOST_TOGETHER - 1);
            write(together);
        }
    }

    private void write(List<Batch> together) {
        try {
            var outcomes = transaction.execute(s -> store(together));
            failedAt = null;
            outcomes.forEach(Outcome::tell);
        } catch (RuntimeException e) {
            if (e instanceof DataAccessResourceFailureException) failedAt = clock.instant();
            if (together.size() == 1) {
                together.get(0).stored.completeExceptionally(e);
                return;
            }
            // One that cannot be stored must not take the others with it.
            log.warn("{} requests are stored one by one: {}", together.size(), e.getMessage());
            for (var batch : together) write(List.of(batch));
        }
    }

    private record Outcome(Batch batch, int fresh, boolean differs) {
        void tell() {
            if (differs)
                batch.stored.completeExceptionally(Refusal.conflict(
                        "event-differs",
                        "An event is stored already with other contents; nothing of this request was stored."));
            else batch.stored.complete(fresh);
        }
    }

    /** Events as {@link PracticalRows#addAll} takes them. */
    static void put(ArrayNode into, UUID practical, @Nullable UUID account, List<EventRow> events) {
        for (var e : events) {
            var row = into.addObject()
                    .put("practical", practical.toString())
                    .put("id", e.id())
                    .put("device", e.device())
                    .put("seq", e.seq())
                    .put("at_ms", e.atMs())
                    .put("kind", e.kind());
            if (account != null) row.put("account", account.toString());
            if (e.wall() != null) row.put("wall", e.wall().toString());
            row.set("data", Json.MAPPER.readTree(e.data()));
        }
    }

    private List<Outcome> store(List<Batch> together) {
        var sent = Json.MAPPER.createArrayNode();
        for (var batch : together) put(sent, batch.practical, batch.account, batch.events);
        var fresh = new HashSet<PracticalRows.EventKey>(rows.addAll(sent.toString(), clock.instant()));
        var outcomes = new ArrayList<Outcome>();
        for (var batch : together) {
            int mine = 0;
            boolean differs = false;
            Map<String, EventRow> there = new LinkedHashMap<>();
            for (var e : batch.events) {
                // An id that is twice in one go belongs to whoever sent it first.
                if (fresh.remove(new PracticalRows.EventKey(batch.practical, e.id()))) mine++;
                else there.put(e.id(), e);
            }
            if (!there.isEmpty()) {
                Map<String, EventRow> stored = new HashMap<>();
                for (var e : rows.eventsOf(batch.practical, List.copyOf(there.keySet()))) stored.put(e.id(), e);
                for (var e : there.values()) differs |= !same(stored.get(e.id()), e);
            }
            if (differs && mine > 0) {
                var ids = batch.events.stream()
                        .map(EventRow::id)
                        .filter(id -> !there.containsKey(id))
                        .toList();
                rows.removeEvents(batch.practical, ids);
            }
            outcomes.add(new Outcome(batch, mine, differs));
        }
        return outcomes;
    }

    /** Wall time is for people: a clock set right between two sendings does not make another event. */
    private static boolean same(@Nullable EventRow a, EventRow b) {
        return a != null
                && a.device().equals(b.device())
                && a.seq() == b.seq()
                && a.atMs() == b.atMs()
                && a.kind().equals(b.kind())
                && Json.MAPPER.readTree(a.data()).equals(Json.MAPPER.readTree(b.data()));
    }

    @Override
    public void start() {
        running = true;
        for (int i = 0; i < WRITERS; i++) {
            var writer = new Thread(this::write, "event-log-" + i);
            writer.setDaemon(true);
            writer.start();
            writers.add(writer);
        }
    }

    @Override
    public void stop() {
        running = false;
        for (var writer : writers) writer.interrupt();
        writers.clear();
    }

    @Override
    public boolean isRunning() {
        return running;
    }

    /** Earlier than the web server starts and later than it ends: what a request waits for is always written. */
    @Override
    public int getPhase() {
        return 0;
    }
}
