package palmtally.server.practical;

import java.time.Clock;
import java.time.Duration;
import org.springframework.boot.health.contributor.Health;
import org.springframework.boot.health.contributor.HealthIndicator;
import org.springframework.stereotype.Component;

/** Down while what is tapped is not stored: a database may answer whoever reads and have no disk left for whoever writes. */
@Component
class EventLogHealth implements HealthIndicator {
    /** Where nobody taps any more, nobody knows whether it still is so. */
    private static final Duration BELIEVED = Duration.ofMinutes(1);

    private final EventLog log;
    private final Clock clock;

    EventLogHealth(EventLog log, Clock clock) {
        this.log = log;
        this.clock = clock;
    }

    @Override
    public Health health() {
        var failed = log.failedAt();
        boolean down = failed != null && failed.plus(BELIEVED).isAfter(clock.instant());
        return (down ? Health.down() : Health.up()).build();
    }
}
