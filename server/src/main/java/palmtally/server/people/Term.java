package palmtally.server.people;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** A row of term. Weeks count from the day it starts, in UTC; one that is in the archive is read only. */
public record Term(
        UUID id,
        String name,
        String cohort,
        LocalDate startsOn,
        int weeks,
        @Nullable Instant archivedAt) {
    /** Weeks since the term began, part weeks counted; 0 before it. */
    public double week(Instant at) {
        double seconds =
                ChronoUnit.SECONDS.between(startsOn.atStartOfDay(ZoneOffset.UTC).toInstant(), at);
        return Math.max(0, seconds / (7 * 24 * 3600));
    }

    /** Day of the term, from 0. */
    public int day(Instant at) {
        return (int) ChronoUnit.DAYS.between(startsOn, LocalDate.ofInstant(at, ZoneOffset.UTC));
    }
}
