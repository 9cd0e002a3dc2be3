package palmtally.server.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.picture.BodyLook;
import palmtally.server.answer.Made;
import palmtally.server.live.Live;
import palmtally.server.problem.Refusal;

/** Signing in and out, and the first visit to an empty school. */
@RestController
class SessionController {
    /**
     * Who is signed in, if anybody; and whether the school waits for its lead.
     *
     * @param zone where the clock on the school's wall is, such as Europe/Oslo
     * @param takes labs that they take today or later in the place of another
     */
    record SessionView(
            boolean needsSetup,
            String school,
            BodyLook bodyLook,
            String zone,
            @Nullable Person person,
            List<Terms.TermView> terms,
            List<Substitutes.TakenLab> takes) {}

    record SignIn(@Nullable String signIn, @Nullable String password) {}

    /** @param word what was printed where the school was started */
    record SetUp(
            @Nullable String word,
            @Nullable String school,
            @Nullable String name,
            @Nullable String signIn,
            @Nullable String password) {}

    /** Longer than any sign-in that there is. */
    private static final int MOST_NAME = 200;

    private final Terms terms;
    private final Accounts accounts;
    private final Substitutes substitutes;
    private final Access access;
    private final School school;
    private final SignInThrottle throttle;
    private final KnownDevices devices;
    private final SetUpWord word;
    private final Live live;
    private final SecurityContextRepository contexts;
    private final Clock clock;

    SessionController(
            Terms terms,
            Accounts accounts,
            Substitutes substitutes,
            Access access,
            School school,
            SignInThrottle throttle,
            KnownDevices devices,
            SetUpWord word,
            Live live,
            SecurityContextRepository contexts,
            Clock clock) {
        this.clock = clock;
        this.terms = terms;
        this.accounts = accounts;
        this.substitutes = substitutes;
        this.access = access;
        this.school = school;
        this.throttle = throttle;
        this.devices = devices;
        this.word = word;
        this.live = live;
        this.contexts = contexts;
    }

    @Allow(Permission.ANYBODY)
    @GetMapping("/api/session")
    SessionView session(@Me @Nullable Caller caller) {
        return view(caller);
    }

    @Allow(Permission.ANYBODY)
    @PostMapping("/api/session")
    SessionView signIn(@RequestBody SignIn given, HttpServletRequest request, HttpServletResponse response) {
        var name = or(given.signIn);
        request.setAttribute(Caller.TRIED, name);
        if (name.length() > MOST_NAME || or(given.password).length() > PasswordRule.MOST) throw Refusal.signIn();
        var device = devices.of(request, name);
        var address = request.getRemoteAddr();
        long wait = throttle.begin(name, address, device);
        if (wait > 0) throw Refusal.tooMany(wait);
        var caller = accounts.check(name, or(given.password)).orElseThrow(Refusal::signIn);
        throttle.right(name, address, device);
        devices.keep(request, response, caller.id());
        return open(caller, request, response);
    }

    @Allow(Permission.ANYBODY)
    @DeleteMapping("/api/session")
    SessionView signOut(HttpServletRequest request) {
        var session = request.getSession(false);
        if (session != null) {
            var id = session.getId();
            session.invalidate();
            live.end(id);
            access.changed();
        }
        SecurityContextHolder.clearContext();
        return view(null);
    }

    record NewPassword(@Nullable String old, @Nullable String password) {}

    /** One's own password. */
    @Allow(Permission.SIGNED_IN)
    @PostMapping("/api/session/password")
    SessionView changePassword(@Me Caller caller, @RequestBody NewPassword given, HttpServletRequest request) {
        accounts.changePassword(
                caller,
                or(given.old),
                or(given.password),
                request.getSession(true).getId());
        return view(caller);
    }

    @Allow(Permission.ANYBODY)
    @PostMapping("/api/setup")
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<SessionView> setUp(
            @RequestBody SetUp given, HttpServletRequest request, HttpServletResponse response) {
        if (given.password == null) throw new InvalidValue("account", new Fault("password", "", "is missing"));
        if (school.empty()) word.must(given.word);
        var caller = school.open(or(given.school), or(given.name), or(given.signIn), given.password);
        return Made.at("/api/session", open(caller, request, response));
    }

    private SessionView open(Caller caller, HttpServletRequest request, HttpServletResponse response) {
        request.getSession(true);
        request.changeSessionId();
        var context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(UsernamePasswordAuthenticationToken.authenticated(
                caller,
                null,
                List.of(new SimpleGrantedAuthority("ROLE_" + caller.role().name()))));
        SecurityContextHolder.setContext(context);
        contexts.saveContext(context, request, response);
        return view(caller);
    }

    private SessionView view(@Nullable Caller caller) {
        return new SessionView(
                school.empty(),
                school.name(),
                school.bodyLook(),
                clock.getZone().getId(),
                caller == null ? null : new Person(caller.id(), caller.name(), caller.role()),
                caller == null ? List.of() : terms.of(caller),
                caller == null ? List.of() : substitutes.toTake(caller.id()));
    }

    private static String or(@Nullable String text) {
        return text == null ? "" : text;
    }
}
