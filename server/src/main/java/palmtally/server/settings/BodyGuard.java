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
import java.time.Duration;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Semaphore;
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
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.web.filter.OncePerRequestFilter;
import palmtally.formats.Documents;
import palmtally.server.problem.Problems;

/**
 * How much may be sent, and how slowly. The body of somebody who is not signed in is small, is read whole within a time and before
 * anything else is done, and few of them are read at once: whoever sends slowly holds up other strangers at most, never those who grade.
 */
@Configuration(proxyBeanMethods = false)
class BodyGuard {
    /** What may be sent without a sign-in. */
    static final int STRANGERS_BYTES = 16 * 1024;

    static final Duration STRANGERS_TIME = Duration.ofSeconds(5);
    /** Requests of strangers that are answered at the same time: of all, and of one address. */
    private static final int STRANGERS = 24;

    private static final int OF_ONE_ADDRESS = 16;

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
            if (signedIn(request)) {
                if (length > MOST_BYTES)
                    refuse(request, response, HttpStatus.CONTENT_TOO_LARGE, "too-large", tooLarge(MOST_BYTES));
                else chain.doFilter(new Limited(request, MOST_BYTES), response);
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

        private boolean signedIn(HttpServletRequest request) {
            if (contexts.believed(request)) return true;
            var session = request.getSession(false);
            return session != null
                    && session.getAttribute(HttpSessionSecurityContextRepository.SPRING_SECURITY_CONTEXT_KEY) != null;
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
            return new Bytes(new ByteArrayInputStream(body), body.length);
        }
    }

    /** A request that ends in an error where more is sent than it may. */
    private static final class Limited extends HttpServletRequestWrapper {
        private final long most;

        Limited(HttpServletRequest request, long most) {
            super(request);
            this.most = most;
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            return new Bytes(super.getInputStream(), most);
        }
    }

    private static final class Bytes extends ServletInputStream {
        private final InputStream in;
        private long left;
        private boolean ended;

        Bytes(InputStream in, long most) {
            this.in = in;
            this.left = most;
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
