package palmtally.server.practical;

import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import palmtally.core.finding.Criterion;
import palmtally.core.practical.Practical;
import palmtally.server.people.Person;
import palmtally.server.practical.PracticalRows.AwardRow;
import palmtally.server.practical.PracticalRows.Row;

/**
 * A practical as somebody may open it, with what was said of it and before anything is reckoned from its taps.
 *
 * @param by who gave the award, or nothing where there is none
 * @param beside the other grader's practical of the same run, for staff
 */
public record OpenedPractical(
        Row row,
        Person student,
        @Nullable Person partner,
        Person grader,
        Practical practical,
        @Nullable Double rating,
        @Nullable AwardRow award,
        String by,
        @Nullable Map<Criterion, Double> selfMarks,
        @Nullable UUID beside) {
    public Practicals.Kind kind() {
        return row.kind();
    }

    public @Nullable Criterion criterion() {
        return row.criterion();
    }

    public @Nullable UUID retakeOf() {
        return row.retakeOf();
    }
}
