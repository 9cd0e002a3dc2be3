package palmtally.server.live;

import jakarta.servlet.http.HttpServletRequest;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.time.Clock;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.postgresql.PGConnection;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.jdbc.autoconfigure.JdbcConnectionDetails;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import palmtally.server.problem.Refusal;

/**
 * Streams to all who look on. One connection of its own listens to the database, so that what one server stores is told by all; the
 * state of a thing is read once a change and given to every stream of it.
 */
@Component
public class Live implements SmartLifecycle {
    private static final Logger log = LoggerFactory.getLogger(Live.class);
    /** More at once than a school has, of those who are not signed in: of all, of one address, at one thing. */
    static final int STRANGERS = 600;

    static final int OF_ONE_ADDRESS = 200;
    static final int AT_ONE_THING = 300;

    /** Those who are signed in have room of their own; one person has so many devices and pages at most. */
    static final int SIGNED_IN = 400;

    static final int OF_ONE_PERSON = 30;

    private static final int BEAT_SECONDS = 15;
    private static final int LOOK_MS = 1000;
    private static final int SOON_MS = 100;
    private static final int LATE_MS = 5000;

    private final JdbcConnectionDetails database;
    private final Clock clock;
    private final Map<String, Audience> audiences;
    private final Map<String, Notice> notices;
    private final Set<Onlooker> onlookers = ConcurrentHashMap.newKeySet();
    private final Set<String> told = ConcurrentHashMap.newKeySet();
    private final ExecutorService senders = Executors.newCachedThreadPool(daemon("live-send"));
    private final ScheduledExecutorService reader = Executors.newSingleThreadScheduledExecutor(daemon("live-read"));
    private volatile boolean running;
    private @Nullable Thread listener;

    Live(JdbcConnectionDetails database, List<Audience> audiences, List<Notice> notices, Clock clock) {
        this.database = database;
        this.clock = clock;
        this.notices = notices.stream().collect(Collectors.toMap(Notice::channel, Function.identity()));
        this.audiences = audiences.stream().collect(Collectors.toMap(Audience::channel, Function.identity()));
    }

    private static java.util.concurrent.ThreadFactory daemon(String name) {
        return work -> {
            var thread = new Thread(work, name);
            thread.setDaemon(true);
            return thread;
        };
    }

    /** Who looks on: a person by their session, or a stranger by the address they come from. */
    public record Who(@Nullable UUID person, @Nullable String session, String address) {
        /** The one who made a request. */
        public static Who of(HttpServletRequest request, @Nullable UUID person) {
            var session = request.getSession(false);
            return new Who(person, person == null || session == null ? null : session.getId(), request.getRemoteAddr());
        }
    }

    /**
     * Opens a stream that tells the state of {@code key} now and after each change. It ends with the session of whoever opened it.
     *
     * @throws Refusal 503 where there is no room for another
     */
    public SseEmitter open(Audience audience, String key, Who who) {
        if (!running || !room(audience.channel(), key, who))
            throw Refusal.busy("So many screens look on that there is no room for another; close some and try again.");
        var onlooker = new Onlooker(audience.channel(), key, who, new SseEmitter(0L), senders);
        onlooker.emitter.onCompletion(() -> drop(onlooker));
        onlooker.emitter.onTimeout(() -> drop(onlooker));
        onlooker.emitter.onError(e -> drop(onlooker));
        // Looked for first and read then: what changes in between is told twice rather than never.
        onlookers.add(onlooker);
        onlooker.tell(audience.state(key));
        return onlooker.emitter;
    }

    private boolean room(String channel, String key, Who who) {
        if (who.person != null)
            return count(o -> o.who.person != null) < SIGNED_IN
                    && count(o -> who.person.equals(o.who.person)) < OF_ONE_PERSON;
        return count(o -> o.who.person == null) < STRANGERS
                && count(o -> o.who.person == null && o.who.address.equals(who.address)) < OF_ONE_ADDRESS
                && count(o -> o.who.person == null && o.key.equals(key) && o.channel.equals(channel)) < AT_ONE_THING;
    }

    private long count(Predicate<Onlooker> which) {
        return onlookers.stream().filter(o -> !o.gone()).filter(which).count();
    }

    /** Ends the streams of a session. */
    public void end(String session) {
        end(o -> session.equals(o.who.session()));
    }

    private void end(Predicate<Onlooker> which) {
        for (var onlooker : onlookers)
            if (which.test(onlooker)) {
                onlookers.remove(onlooker);
                onlooker.end();
            }
    }

    /** A session may end otherwise than by signing out, or at another server: then its streams end with the next beat. */
    private void endThoseOfSessionsThatAreOver() {
        var open = onlookers.stream()
                .map(o -> o.who.session())
                .filter(Objects::nonNull)
                .distinct()
                .toArray(String[]::new);
        if (open.length == 0) return;
        try (var connection = DriverManager.getConnection(
                        database.getJdbcUrl(), database.getUsername(), database.getPassword());
                var statement = connection.prepareStatement(
                        "select session_id from spring_session where session_id = any(?) and expiry_time > ?")) {
            statement.setArray(1, connection.createArrayOf("text", open));
            statement.setLong(2, clock.millis());
            var there = new HashSet<String>();
            try (var rows = statement.executeQuery()) {
                while (rows.next()) there.add(rows.getString(1));
            }
            end(o -> o.who.session() != null && !there.contains(o.who.session()));
        } catch (SQLException e) {
            log.warn("which sessions are over could not be asked: {}", e.getMessage());
        }
    }

    /** How many streams are open. */
    public int open() {
        return onlookers.size();
    }

    private void drop(Onlooker onlooker) {
        onlooker.leave();
        onlookers.remove(onlooker);
    }

    private void listen() {
        long wait = SOON_MS;
        while (running) {
            try (var connection = DriverManager.getConnection(
                    database.getJdbcUrl(), database.getUsername(), database.getPassword())) {
                listen(connection);
            } catch (SQLException e) {
                if (!running) return;
                log.warn("the database does not tell of changes: {}; trying again", e.getMessage());
                try {
                    Thread.sleep(wait);
                } catch (InterruptedException i) {
                    return;
                }
                wait = Math.min(wait * 2, LATE_MS);
            }
        }
    }

    private void listen(Connection connection) throws SQLException {
        try (var statement = connection.createStatement()) {
            for (var channel : audiences.keySet()) statement.execute("listen " + channel);
            for (var channel : notices.keySet()) statement.execute("listen " + channel);
        }
        // What was told while nobody listened is lost: everybody is told anew.
        onlookers.forEach(o -> changed(o.channel, o.key));
        notices.values().forEach(Notice::heard);
        var postgres = connection.unwrap(PGConnection.class);
        while (running) {
            var notes = postgres.getNotifications(LOOK_MS);
            if (notes == null) continue;
            for (var note : notes) {
                var notice = notices.get(note.getName());
                if (notice != null) notice.heard();
                else changed(note.getName(), note.getParameter());
            }
        }
    }

    /** Several changes that wait to be read are read once. */
    private void changed(String channel, String key) {
        if (!running || !told.add(channel + "/" + key)) return;
        try {
            reader.execute(() -> tell(channel, key));
        } catch (java.util.concurrent.RejectedExecutionException e) {
            // It ends in this very moment; nobody looks on any more.
            told.remove(channel + "/" + key);
        }
    }

    private void tell(String channel, String key) {
        told.remove(channel + "/" + key);
        var audience = audiences.get(channel);
        var who = onlookers.stream()
                .filter(o -> o.channel.equals(channel) && o.key.equals(key))
                .toList();
        if (audience == null || who.isEmpty()) return;
        try {
            var state = audience.state(key);
            for (var onlooker : who) onlooker.tell(state);
        } catch (RuntimeException e) {
            log.warn("the state of {} {} could not be read: {}; trying again", channel, key, e.getMessage());
            reader.schedule(() -> changed(channel, key), LOOK_MS, TimeUnit.MILLISECONDS);
        }
    }

    private void beat() {
        onlookers.removeIf(Onlooker::gone);
        endThoseOfSessionsThatAreOver();
        onlookers.forEach(Onlooker::beat);
    }

    @Override
    public void start() {
        running = true;
        listener = new Thread(this::listen, "live-listen");
        listener.setDaemon(true);
        listener.start();
        reader.scheduleAtFixedRate(this::beat, BEAT_SECONDS, BEAT_SECONDS, TimeUnit.SECONDS);
    }

    /** Before the web server's graceful end, which would wait for the open streams. */
    @Override
    public void stop() {
        running = false;
        onlookers.forEach(Onlooker::end);
        if (listener != null) listener.interrupt();
        reader.shutdownNow();
        senders.shutdown();
    }

    @Override
    public boolean isRunning() {
        return running;
    }

    @Override
    public int getPhase() {
        return Integer.MAX_VALUE;
    }
}
