package palmtally.server.people;

import java.time.Clock;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.stereotype.Component;

/** Slows guessing: after five wrong passwords for a sign-in in a row it waits a minute. */
@Component
class Tries {
    private static final int FREE = 5;
    private static final int WAIT = 60;
    /** More names than this are somebody's attack; the oldest are forgotten. */
    private static final int MOST = 10_000;

    private record Failed(int times, Instant last) {}

    private final Map<String, Failed> failed = new LinkedHashMap<>() {
        @Override
        protected boolean removeEldestEntry(Map.Entry<String, Failed> eldest) {
            return size() > MOST;
        }
    };
    private final Clock clock;

    Tries(Clock clock) {
        this.clock = clock;
    }

    /** 0 when another try is free. */
    synchronized long secondsToWait(String signIn) {
        var f = failed.get(key(signIn));
        if (f == null || f.times < FREE) return 0;
        long left = f.last.plusSeconds(WAIT).getEpochSecond() - clock.instant().getEpochSecond();
        return Math.max(0, left);
    }

    synchronized void failed(String signIn) {
        failed.merge(key(signIn), new Failed(1, clock.instant()), (a, b) -> new Failed(a.times + 1, b.last));
    }

    synchronized void succeeded(String signIn) {
        failed.remove(key(signIn));
    }

    private static String key(String signIn) {
        return signIn.strip().toLowerCase();
    }
}
