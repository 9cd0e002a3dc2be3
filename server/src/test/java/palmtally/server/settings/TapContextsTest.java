package palmtally.server.settings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpSession;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.concurrent.atomic.AtomicLong;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.security.authentication.TestingAuthenticationToken;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextImpl;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.session.web.http.CookieSerializer;
import palmtally.server.people.Access;

/** How long the sign-in of one who taps is believed: five seconds, and not a moment after anything changed. */
class TapContextsTest {
    private static final Instant START = Instant.parse("2026-11-20T18:00:00Z");
    private static final String TAPS = "/api/practicals/1/events";

    private final Clock clock = mock();
    private final Access access = mock();
    private final AtomicLong changes = new AtomicLong();
    private final CookieSerializer cookies = mock();
    private final TapContexts contexts = new TapContexts(cookies, access, clock);
    private final HttpSession session = mock();

    @BeforeEach
    void signedIn() {
        when(cookies.readCookieValues(any())).thenReturn(List.of("a"));
        when(access.changes()).then(i -> changes.get());
        at(0);
        signIn("olle");
    }

    private void at(double seconds) {
        when(clock.instant()).thenReturn(START.plus(Duration.ofMillis(Math.round(seconds * 1000))));
    }

    private void signIn(String name) {
        holds(new SecurityContextImpl(new TestingAuthenticationToken(name, null)));
    }

    private void holds(@Nullable SecurityContext context) {
        when(session.getAttribute(HttpSessionSecurityContextRepository.SPRING_SECURITY_CONTEXT_KEY))
                .thenReturn(context);
    }

    private @Nullable String who(String path) {
        HttpServletRequest request = mock();
        when(request.getRequestURI()).thenReturn(path);
        when(request.getSession(false)).thenReturn(session);
        var who = contexts.loadDeferredContext(request).get().getAuthentication();
        return who == null ? null : who.getName();
    }

    @Test
    void a_tap_is_believed_for_five_seconds() {
        assertThat(who(TAPS)).isEqualTo("olle");
        signIn("mari");
        at(4.999);
        assertThat(who(TAPS)).isEqualTo("olle");
        at(5);
        assertThat(who(TAPS)).isEqualTo("mari");
    }

    @Test
    void nothing_else_is() {
        assertThat(who(TAPS)).isEqualTo("olle");
        signIn("mari");
        for (var path : List.of("/api/practicals/1", "/api/practicals/1/events/2", "/api/practicals/1/2/events"))
            assertThat(who(path)).as(path).isEqualTo("mari");
    }

    @Test
    void it_is_asked_again_when_anything_changed() {
        assertThat(who(TAPS)).isEqualTo("olle");
        signIn("mari");
        changes.incrementAndGet();
        assertThat(who(TAPS)).isEqualTo("mari");
    }

    @Test
    void two_sessions_are_two_people_and_a_tap_with_both_is_not_believed() {
        assertThat(who(TAPS)).isEqualTo("olle");
        signIn("mari");
        when(cookies.readCookieValues(any())).thenReturn(List.of("b"));
        assertThat(who(TAPS)).isEqualTo("mari");
        when(cookies.readCookieValues(any())).thenReturn(List.of("a", "b"));
        assertThat(who(TAPS)).isEqualTo("mari");
        when(cookies.readCookieValues(any())).thenReturn(List.of("a"));
        assertThat(who(TAPS)).isEqualTo("olle");
    }

    @Test
    void who_is_not_signed_in_is_not_kept() {
        holds(null);
        assertThat(who(TAPS)).isNull();
        signIn("olle");
        assertThat(who(TAPS)).isEqualTo("olle");
    }
}
