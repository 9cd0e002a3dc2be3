package palmtally.server;

import java.time.Clock;
import java.time.Instant;
import java.time.InstantSource;
import java.time.ZoneId;
import java.util.function.Supplier;

/** The time of this computer, with the days of wherever the school is now. */
final class SchoolClock extends Clock {
    private final InstantSource time;
    private final Supplier<ZoneId> zone;

    SchoolClock(InstantSource time, Supplier<ZoneId> zone) {
        this.time = time;
        this.zone = zone;
    }

    @Override
    public ZoneId getZone() {
        return zone.get();
    }

    @Override
    public Clock withZone(ZoneId other) {
        return time.withZone(other);
    }

    @Override
    public Instant instant() {
        return time.instant();
    }
}
