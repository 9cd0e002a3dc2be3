package palmtally.server.timetable;

import java.time.Clock;
import java.time.Duration;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import palmtally.core.timetable.Timetable;
import palmtally.server.people.Terms;
import palmtally.solver.TimetableSolver;

/**
 * Looks for timetables beside all else that goes on. What was found is stored as it comes, so that it is there whatever happens; that a
 * search goes on is told by its beat, so that one whose server died is over.
 */
@Component
public class DaySearch implements DisposableBean {
    private static final Logger log = LoggerFactory.getLogger(DaySearch.class);
    /** More at once would take the computer from those at the tables. */
    private static final int AT_ONCE = 2;

    private static final long BEAT_MS = 400;

    private final class Running {
        final UUID term;
        final UUID day;
        final UUID search = UUID.randomUUID();
        final TimetableSolver solver = new TimetableSolver(longest, quiet);
        final AtomicReference<@Nullable Timetable> best = new AtomicReference<>();

        Running(UUID term, UUID day) {
            this.term = term;
            this.day = day;
        }

        void store() {
            var found = best.getAndSet(null);
            if (found != null && !days.store(term, day, search, found)) solver.stop();
        }
    }

    private final DayRows rows;
    private final DayReader reader;
    private final PracticalDays days;
    private final Terms terms;
    private final Clock clock;
    private final Duration longest;
    private final Duration quiet;
    private final Map<UUID, Running> running = new ConcurrentHashMap<>();
    private final ExecutorService searchers = Executors.newFixedThreadPool(AT_ONCE, DaySearch::thread);
    /** Of its own: what else is done by the clock may take longer than a search may be silent. */
    private final ScheduledExecutorService heart = Executors.newSingleThreadScheduledExecutor(DaySearch::thread);

    DaySearch(
            DayRows rows,
            DayReader reader,
            PracticalDays days,
            Terms terms,
            Clock clock,
            @Value("${palm.search-seconds:60}") int longestSeconds,
            @Value("${palm.search-quiet-seconds:8}") int quietSeconds) {
        this.rows = rows;
        this.reader = reader;
        this.days = days;
        this.terms = terms;
        this.clock = clock;
        this.longest = Duration.ofSeconds(longestSeconds);
        this.quiet = Duration.ofSeconds(quietSeconds);
        heart.scheduleWithFixedDelay(this::beat, BEAT_MS, BEAT_MS, TimeUnit.MILLISECONDS);
    }

    private static Thread thread(Runnable work) {
        var thread = new Thread(work, "timetable");
        thread.setDaemon(true);
        return thread;
    }

    /** The first timetable that can be held, stored at once; nothing goes on after it. */
    public void first(UUID term, UUID day) {
        var search = UUID.randomUUID();
        if (rows.begin(day, search, clock.instant(), days.dead()) == 0) return;
        var read = reader.read(days.day(term, day));
        days.store(term, day, search, TimetableSolver.first(read.practicals(), read.now()));
        rows.end(day, search);
    }

    /** Begins to look, or goes on from what is there; does nothing where somebody looks already. */
    void begin(UUID term, UUID day) {
        terms.mustBeOpen(term);
        days.day(term, day);
        var mine = new Running(term, day);
        if (rows.begin(day, mine.search, clock.instant(), days.dead()) == 0) return;
        running.put(mine.search, mine);
        searchers.execute(() -> look(mine));
    }

    private void look(Running mine) {
        try {
            // Read now: what was changed while it waited is looked for too.
            var read = reader.read(days.day(mine.term, mine.day));
            if (reader.over(read.day()) >= 1440) return;
            var found = mine.solver.solve(read.practicals(), read.now(), better -> {
                boolean first = mine.best.getAndSet(better) == null;
                if (first) mine.store();
            });
            mine.best.set(found);
            mine.store();
        } catch (RuntimeException e) {
            log.warn("the search for the timetable of {} ended: {}", mine.day, e.getMessage(), e);
        } finally {
            running.remove(mine.search);
            rows.end(mine.day, mine.search);
        }
    }

    /** Ends a search with the best it has found, at whatever server it goes on. */
    void stop(UUID term, UUID day) {
        terms.mustBeOpen(term);
        days.day(term, day);
        rows.askToStop(day);
        running.values().stream().filter(r -> r.day.equals(day)).forEach(r -> r.solver.stop());
    }

    /** Tells that it goes on, stores the best so far, and ends it where it was asked to or the day was changed. */
    private void beat() {
        for (var r : running.values())
            try {
                if (rows.beat(r.day, r.search, clock.instant()) == 0) r.solver.stop();
                else r.store();
            } catch (RuntimeException e) {
                log.warn("the beat of a search failed: {}", e.getMessage());
            }
    }

    @Override
    public void destroy() throws InterruptedException {
        running.values().forEach(r -> r.solver.stop());
        heart.shutdownNow();
        searchers.shutdown();
        searchers.awaitTermination(5, TimeUnit.SECONDS);
    }
}
