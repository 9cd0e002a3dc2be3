package palmtally.server.demonstration;

import java.time.Clock;
import java.time.Duration;
import java.util.UUID;
import org.springframework.stereotype.Service;
import palmtally.server.people.Passwords;

/** Which class screen belongs to whom, and what it shows. */
@Service
class Screens {
    private static final int CODE_LENGTH = 5;
    /** How long an address is good before the next demonstration takes another: a projector keeps it over a week of labs. */
    private static final Duration GOOD = Duration.ofDays(7);

    private final ScreenRows rows;
    private final Clock clock;

    Screens(ScreenRows rows, Clock clock) {
        this.rows = rows;
        this.clock = clock;
    }

    /** The code of one's class screen, made when it is first asked for. */
    String of(UUID account) {
        return screen(account).code();
    }

    /** One's class screen, made when it is first asked for. */
    ScreenRows.Row screen(UUID account) {
        var there = rows.of(account);
        // A code that another has is not taken; the next try makes another.
        for (int i = 0; there.isEmpty() && i < 20; i++) {
            rows.add(Passwords.word(CODE_LENGTH), account, clock.instant());
            there = rows.of(account);
        }
        return there.orElseThrow();
    }

    /** Before something new is shown: whoever knew the address last week does not follow on. */
    void beginAnew(UUID account) {
        var old = rows.of(account)
                .filter(s -> s.madeAt().isBefore(clock.instant().minus(GOOD)))
                .isPresent();
        if (old) renew(account);
    }

    /** Another address, at once; the one before shows nothing any more. */
    String renew(UUID account) {
        of(account);
        for (int i = 0; i < 20; i++) if (rows.renew(account, Passwords.word(CODE_LENGTH), clock.instant()) > 0) break;
        return of(account);
    }

    /** Sets what the class looks at, and tells those who look on. */
    void look(UUID account, Look look) {
        of(account);
        rows.look(account, look);
        rows.changed(account);
    }

    /** Turns one's screen to a demonstration, and tells those who look on that it changed. */
    void show(UUID account, UUID demonstration) {
        of(account);
        rows.show(account, demonstration, null);
        rows.changed(account);
    }

    /** Turns one's screen to a practice round, and tells those who look on that it changed. */
    void showRound(UUID account, UUID round) {
        of(account);
        rows.show(account, null, round);
        rows.changed(account);
    }
}
