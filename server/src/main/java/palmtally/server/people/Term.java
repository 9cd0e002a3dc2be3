package palmtally.server.people;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** A row of term. Weeks count from the day it starts, by the calendar of the school; one that is in the archive is read only. */
public record Term(
        UUID id,
        String name,
        String cohort,
        LocalDate startsOn,
        int weeks,
        @Nullable Instant archivedAt) {
    /** Weeks since the term began, part weeks counted by the clock on the wall; 0 before it. */
    public double week(Instant at, ZoneId zone) {
        var there = LocalDateTime.ofInstant(at, zone);
        double days = ChronoUnit.DAYS.between(startsOn, there.toLocalDate())
                + there.toLocalTime().toSecondOfDay() / 86400.0;
        return Math.max(0, days / 7);
    }

    /** Since when somebody is in it who is taken into it today; null, from its beginning, while its first week is not over. */
    @Nullable
    LocalDate joining(LocalDate today) {
        return startsOn.plusWeeks(1).isAfter(today) ? null : today;
    }

    /** Day of the term, from 0; below 0 before it. */
    public int day(Instant at, ZoneId zone) {
        return (int) ChronoUnit.DAYS.between(startsOn, LocalDate.ofInstant(at, zone));
    }
}
