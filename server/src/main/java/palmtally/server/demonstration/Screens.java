package palmtally.server.demonstration;

import java.util.UUID;
import org.springframework.stereotype.Service;
import palmtally.server.people.Passwords;

/** Which class screen belongs to whom, and what it shows. */
@Service
class Screens {
    private static final int CODE_LENGTH = 5;

    private final ScreenRows rows;

    Screens(ScreenRows rows) {
        this.rows = rows;
    }

    /** The code of one's class screen: made once, and the same ever after. */
    String of(UUID account) {
        var there = rows.of(account);
        // A code that another has is not taken; the next try makes another.
        for (int i = 0; there.isEmpty() && i < 20; i++) {
            rows.add(Passwords.word(CODE_LENGTH), account);
            there = rows.of(account);
        }
        return there.orElseThrow().code();
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
