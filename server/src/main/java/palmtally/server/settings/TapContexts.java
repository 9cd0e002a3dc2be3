package palmtally.server.settings;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.DeferredSecurityContext;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextImpl;
import org.springframework.security.web.context.HttpRequestResponseHolder;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.session.web.http.CookieSerializer;
import palmtally.server.people.Access;

/**
 * Who is signed in, by the session in the database. To read it takes longer than to store a tap; so for taps it is believed for five
 * seconds, unless somebody signed out, was shut out or changed a password meanwhile, here or at another server of the school.
 */
final class TapContexts implements SecurityContextRepository {
    private static final Duration BELIEVED = Duration.ofSeconds(5);
    private static final int MOST = 1000;
    private static final Pattern TAPS = Pattern.compile("/api/practicals/[^/]+/events");

    /** @param changes what {@link Access#changes} said before the session was read */
    private record Known(Authentication who, Instant at, long changes) {}

    private final SecurityContextRepository sessions = new HttpSessionSecurityContextRepository();
    private final Map<String, Known> known = new ConcurrentHashMap<>();
    private final CookieSerializer cookies;
    private final Access access;
    private final Clock clock;

    TapContexts(CookieSerializer cookies, Access access, Clock clock) {
        this.cookies = cookies;
        this.access = access;
        this.clock = clock;
    }

    @Override
    public DeferredSecurityContext loadDeferredContext(HttpServletRequest request) {
        var read = sessions.loadDeferredContext(request);
        var id = session(request);
        if (id == null) return read;
        var there = believed(id);
        if (there != null) return new Loaded(new SecurityContextImpl(there.who), false);
        long changes = access.changes();
        var now = clock.instant();
        var context = read.get();
        keep(id, context.getAuthentication(), now, changes);
        return new Loaded(context, read.isGenerated());
    }

    /** Who sends this tap, where they were signed in a moment ago: the session is not read to know. Null of anything else. */
    @Nullable
    Authentication believed(HttpServletRequest request) {
        var id = session(request);
        var there = id == null ? null : believed(id);
        return there == null ? null : there.who;
    }

    private @Nullable Known believed(String session) {
        var there = known.get(session);
        return there != null
                        && there.changes == access.changes()
                        && there.at.plus(BELIEVED).isAfter(clock.instant())
                ? there
                : null;
    }

    /** The session of a tap; null of everything else. */
    private @Nullable String session(HttpServletRequest request) {
        if (!TAPS.matcher(request.getRequestURI()).matches()) return null;
        var ids = cookies.readCookieValues(request);
        return ids.size() == 1 ? ids.get(0) : null;
    }

    private record Loaded(SecurityContext context, boolean isGenerated) implements DeferredSecurityContext {
        @Override
        public SecurityContext get() {
            return context;
        }
    }

    private void keep(String id, @Nullable Authentication who, Instant now, long changes) {
        if (who == null) known.remove(id);
        else {
            if (known.size() >= MOST) known.clear();
            known.put(id, new Known(who, now, changes));
        }
    }

    @Override
    @Deprecated
    @SuppressWarnings("deprecation")
    public SecurityContext loadContext(HttpRequestResponseHolder both) {
        return sessions.loadContext(both);
    }

    @Override
    public void saveContext(SecurityContext context, HttpServletRequest request, HttpServletResponse response) {
        sessions.saveContext(context, request, response);
    }

    @Override
    public boolean containsContext(HttpServletRequest request) {
        return sessions.containsContext(request);
    }
}
