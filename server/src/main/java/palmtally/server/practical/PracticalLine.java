package palmtally.server.practical;

import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Region;
import palmtally.core.finding.Criterion;
import palmtally.core.practical.Outcome;

/**
 * A practical as a line of a list; result, mean and released are absent until it is awarded, a reason unless it is void.
 *
 * @param since how many taps reached the school after the award, absent for none
 */
public record PracticalLine(
        UUID id,
        UUID studentId,
        String student,
        String grader,
        String sequence,
        Region region,
        Instant startedAt,
        int tableNumber,
        boolean finished,
        Outcome.@Nullable Result result,
        @Nullable Double mean,
        @Nullable Boolean released,
        @Nullable String voidReason,
        Practicals.Kind kind,
        @Nullable Criterion criterion,
        @Nullable UUID beside,
        UUID graderId,
        @Nullable Integer since) {
    /** Without what a grader must not know yet. */
    PracticalLine blind() {
        return new PracticalLine(
                id,
                studentId,
                student,
                grader,
                sequence,
                region,
                startedAt,
                tableNumber,
                finished,
                null,
                null,
                null,
                voidReason,
                kind,
                criterion,
                beside,
                graderId,
                null);
    }
}
