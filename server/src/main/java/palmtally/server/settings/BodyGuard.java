package palmtally.server.settings;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.time.Duration;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.apache.coyote.ActionCode;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.session.autoconfigure.SessionProperties;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.web.filter.OncePerRequestFilter;
import palmtally.formats.Documents;
import palmtally.server.people.Caller;
import palmtally.server.people.Role;
import palmtally.server.problem.Problems;

/**
 * How much may be sent, and how slowly. The body of somebody who is not signed in is small, is read whole within a time and before
 * anything else is done, and few of them are read at once: whoever sends slowly holds up other strangers at most, never those who grade.
 * Students send little. Files are for those who teach, and one large one is read after the other, so that they never fill the memory
 * together.
 */
@Configuration(proxyBeanMethods = false)
class BodyGuard {
    /** What may be sent without a sign-in. */
    static final int STRANGERS_BYTES = 16 * 1024;

    static final Duration STRANGERS_TIME = Duration.ofSeconds(5);
    /** Requests of strangers that are answered at the same time: of all, and of one address. */
    private static final int STRANGERS = 24;

    private static final int OF_ONE_ADDRESS = 16;

    /** What a student may send: five hundred taps of a look at a table, with words. */
    static final int STUDENTS_BYTES = 1 << 20;

    /** What of it is not large: marks, wishes and words. */
    private static final long STUDENTS_FREE_BYTES = 64 * 1024;

    /** What is not large: half an hour of taps that waited, any plan. */
    private static final long FREE_BYTES = 2 << 20;

    /** How long a large one waits for the one before it, and may take to arrive. */
    private static final Duration LARGE_WAIT = Duration.ofSeconds(20);

    private static final Duration LARGE_TIME = Duration.ofSeconds(60);

    /** The largest file, with what JSON makes of it. */
    private static final long MOST_BYTES = 2L * Documents.MOST_BYTES;

    /** Set on a request whose body nobody will read: it is not waited for. */
    private static final String LEAVE = BodyGuard.class.getName() + ".leave";

    /** After the session is known, and before anything asks who it is. */
    @Bean
    FilterRegistrationBean<Guard> bodyGuardFilter(SessionProperties sessions, TapContexts contexts) {
        var bean = new FilterRegistrationBean<>(new Guard(contexts));
        bean.setOrder(sessions.getServlet().getFilterOrder() + 1);
        return bean;
    }

    @Bean
    WebServerFactoryCustomizer<TomcatServletWebServerFactory> leavesWhatIsNotRead() {
        return tomcat -> tomcat.addEngineValves(new Leaving());
    }

    /** A request that was refused unread ends with its answer; what it would still send is not waited for. */
    static final class Leaving extends ValveBase {
        Leaving() {
            super(true);
        }

        @Override
        public void invoke(Request request, Response response) throws IOException, ServletException {
            getNext().invoke(request, response);
            if (request.getAttribute(LEAVE) != null)
                request.getCoyoteRequest().action(ActionCode.DISABLE_SWALLOW_INPUT, null);
        }
    }

    static final class Guard extends OncePerRequestFilter {
        private final TapContexts contexts;
        private final Semaphore strangers = new Semaphore(STRANGERS);
        private final Semaphore large = new Semaphore(1, true);
        private final Semaphore largeOfStudents = new Semaphore(1, true);
        private final Map<String, AtomicInteger> addresses = new ConcurrentHashMap<>();

        Guard(TapContexts contexts) {
            this.contexts = contexts;
        }

        @Override
        protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
                throws IOException, ServletException {
            long length = request.getContentLengthLong();
            if (length <= 0 && request.getHeader("Transfer-Encoding") == null) {
                chain.doFilter(request, response);
                return;
            }
            var signedIn = signedIn(request);
            if (signedIn != null) {
                known(signedIn, length, request, response, chain);
                return;
            }
            if (length > STRANGERS_BYTES) {
                refuse(request, response, HttpStatus.CONTENT_TOO_LARGE, "too-large", tooLarge(STRANGERS_BYTES));
                return;
            }
            var address = request.getRemoteAddr();
            var here = addresses.computeIfAbsent(address, a -> new AtomicInteger());
            boolean entered = here.incrementAndGet() <= OF_ONE_ADDRESS && strangers.tryAcquire();
            try {
                if (!entered) {
                    response.setHeader("Retry-After", "2");
                    refuse(
                            request,
                            response,
                            HttpStatus.SERVICE_UNAVAILABLE,
                            "busy",
                            "Too many are at the door at this moment. Try again in a few seconds.");
                    return;
                }
                var body = body(request, response);
                if (body != null) chain.doFilter(new Read(request, body), response);
            } finally {
                if (entered) strangers.release();
                if (here.decrementAndGet() == 0) addresses.remove(address, here);
            }
        }

        private @Nullable Authentication signedIn(HttpServletRequest request) {
            var believed = contexts.believed(request);
            if (believed != null) return believed;
            var session = request.getSession(false);
            return session != null
                            && session.getAttribute(HttpSessionSecurityContextRepository.SPRING_SECURITY_CONTEXT_KEY)
                                    instanceof SecurityContext context
                    ? context.getAuthentication()
                    : null;
        }

        private void known(
                Authentication who,
                long length,
                HttpServletRequest request,
                HttpServletResponse response,
                FilterChain chain)
                throws IOException, ServletException {
            boolean teaches = who.getPrincipal() instanceof Caller caller && caller.role() != Role.STUDENT;
            long most = teaches ? MOST_BYTES : STUDENTS_BYTES;
            var lane = teaches ? large : largeOfStudents;
            if (length > most) refuse(request, response, HttpStatus.CONTENT_TOO_LARGE, "too-large", tooLarge(most));
            // How long it will be is not said of what comes in pieces.
            else if (length >= 0 && length <= (teaches ? FREE_BYTES : STUDENTS_FREE_BYTES))
                answered(new Limited(request, most, null), response, chain);
            else if (!next(lane)) {
                response.setHeader("Retry-After", "10");
                refuse(
                        request,
                        response,
                        HttpStatus.SERVICE_UNAVAILABLE,
                        "busy",
                        "Other large files are being read at this moment. Try again in a minute.");
            } else
                try {
                    answered(new Limited(request, most, LARGE_TIME), response, chain);
                } finally {
                    lane.release();
                }
        }

        /** Whoever is refused before all was read sends the rest first, and then reads why. */
        private static void answered(Limited request, HttpServletResponse response, FilterChain chain)
                throws IOException, ServletException {
            chain.doFilter(request, response);
            try {
                request.getInputStream().transferTo(OutputStream.nullOutputStream());
            } catch (IOException e) {
                request.setAttribute(LEAVE, true);
            }
        }

        /** Waits until no other large one is read; not for ever. */
        private static boolean next(Semaphore lane) {
            try {
                return lane.tryAcquire(LARGE_WAIT.toSeconds(), TimeUnit.SECONDS);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                return false;
            }
        }

        private static byte @Nullable [] body(HttpServletRequest request, HttpServletResponse response)
                throws IOException {
            long until = System.nanoTime() + STRANGERS_TIME.toNanos();
            var body = new ByteArrayOutputStream();
            var some = new byte[4096];
            try {
                var in = request.getInputStream();
                for (int n = in.read(some); n >= 0; n = in.read(some)) {
                    body.write(some, 0, n);
                    if (body.size() > STRANGERS_BYTES) {
                        refuse(request, response, HttpStatus.CONTENT_TOO_LARGE, "too-large", tooLarge(STRANGERS_BYTES));
                        return null;
                    }
                    if (System.nanoTime() > until) throw new java.net.SocketTimeoutException();
                }
            } catch (IOException e) {
                refuse(
                        request,
                        response,
                        HttpStatus.REQUEST_TIMEOUT,
                        "too-slow",
                        "What was sent did not arrive within " + STRANGERS_TIME.toSeconds() + " seconds. Try again.");
                return null;
            }
            return body.toByteArray();
        }

        private static String tooLarge(long most) {
            return "What was sent is larger than " + (most >= 1 << 20 ? (most >> 20) + " MiB" : (most >> 10) + " KiB")
                    + ".";
        }

        private static void refuse(
                HttpServletRequest request, HttpServletResponse response, HttpStatus status, String code, String detail)
                throws IOException {
            request.setAttribute(LEAVE, true);
            response.setHeader("Connection", "close");
            Problems.write(response, status, code, detail);
        }
    }

    /** A request whose body was read already. */
    private static final class Read extends HttpServletRequestWrapper {
        private final byte[] body;

        Read(HttpServletRequest request, byte[] body) {
            super(request);
            this.body = body;
        }

        @Override
        public ServletInputStream getInputStream() {
            return new Bytes(new ByteArrayInputStream(body), body.length, null);
        }
    }

    /** A request that ends in an error where more is sent than it may. */
    private static final class Limited extends HttpServletRequestWrapper {
        private final long most;
        private final @Nullable Duration time;
        private @Nullable Bytes in;

        Limited(HttpServletRequest request, long most, @Nullable Duration time) {
            super(request);
            this.most = most;
            this.time = time;
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            if (in == null) in = new Bytes(super.getInputStream(), most, time);
            return in;
        }
    }

    private static final class Bytes extends ServletInputStream {
        private final InputStream in;
        private final long until;
        private long left;
        private boolean ended;

        /** @param time in which all of it must be there, or null for any */
        Bytes(InputStream in, long most, @Nullable Duration time) {
            this.in = in;
            this.left = most;
            this.until = time == null ? Long.MAX_VALUE : System.nanoTime() + time.toNanos();
        }

        @Override
        public int read() throws IOException {
            var one = new byte[1];
            return read(one, 0, 1) < 0 ? -1 : one[0] & 0xFF;
        }

        @Override
        public int read(byte[] into, int from, int length) throws IOException {
            int n = in.read(into, from, length);
            ended = n < 0;
            if (n > 0) left -= n;
            if (left < 0) throw new IOException("more was sent than may be");
            if (System.nanoTime() > until) throw new IOException("what was sent took too long to arrive");
            return n;
        }

        @Override
        public boolean isFinished() {
            return ended;
        }

        @Override
        public boolean isReady() {
            return true;
        }

        @Override
        public void setReadListener(ReadListener listener) {
            throw new UnsupportedOperationException();
        }
    }
}
