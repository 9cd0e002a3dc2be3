package palmtally.server.practical;

import static java.util.function.Function.identity;
import static java.util.stream.Collectors.toMap;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import palmtally.core.finding.Criterion;
import palmtally.core.practical.Practical;
import palmtally.server.audit.Audit;
import palmtally.server.people.Access;
import palmtally.server.people.Accounts;
import palmtally.server.people.Caller;
import palmtally.server.people.Person;
import palmtally.server.practical.PracticalRows.Kept;
import palmtally.server.practical.PracticalRows.Row;

/** Every practical of a term, for whoever keeps it: what is the same of many is read once, of each only its taps. */
@Service
public class TermPracticals {
    /**
     * One of them.
     *
     * @param selfMarks the student's own marks, once there is an award they can be compared with
     * @param beside the other grader's practical of the same run
     */
    public record Whole(
            Practical practical,
            Practicals.Kind kind,
            @Nullable Criterion criterion,
            Person student,
            @Nullable Person partner,
            Person grader,
            @Nullable UUID retakeOf,
            @Nullable UUID beside,
            @Nullable Double rating,
            Map<Criterion, Double> selfMarks) {}

    private final PracticalRows rows;
    private final Records records;
    private final Accounts accounts;
    private final Audit audit;
    private final Access access;

    TermPracticals(PracticalRows rows, Records records, Accounts accounts, Audit audit, Access access) {
        this.rows = rows;
        this.records = records;
        this.accounts = accounts;
        this.audit = audit;
        this.access = access;
    }

    /**
     * Opens those of a term by their ids, with a line in the trail for each. Nothing comes of those that the caller marks on their own
     * and must not see yet.
     */
    public Function<UUID, Optional<Whole>> open(Caller caller, UUID term) {
        access.mustTeach(caller, term);
        var all = rows.ofTerm(term).stream().collect(toMap(Row::id, identity()));
        var others = others(all);
        var kept = rows.kept(term).stream().collect(toMap(Kept::practicalId, identity()));
        var shown = new HashMap<UUID, Row>();
        for (var row : all.values())
            if (!Records.blind(
                    caller, row, others.get(row.id()), id -> kept.get(id).awarded())) shown.put(row.id(), row);
        var read = new ArrayList<Audit.Which>();
        for (var row : shown.values())
            read.add(new Audit.Which(row.studentId(), row.id().toString()));
        audit.readEach(caller, "a practical", read);
        var people = new HashMap<UUID, Person>();
        var papers = records.new Papers();
        return id -> Optional.ofNullable(shown.get(id))
                .map(row -> whole(
                        row, kept.get(id), others.get(id), papers, p -> people.computeIfAbsent(p, accounts::person)));
    }

    private Whole whole(Row row, Kept kept, @Nullable Row other, Records.Papers papers, Function<UUID, Person> people) {
        return new Whole(
                records.practical(row, papers),
                row.kind(),
                row.criterion(),
                people.apply(row.studentId()),
                row.partnerId() == null ? null : people.apply(row.partnerId()),
                people.apply(row.graderId()),
                row.retakeOf(),
                other == null ? null : other.id(),
                kept.rating(),
                kept.awarded() && kept.selfMark() != null ? PracticalViews.marks(kept.selfMark()) : Map.of());
    }

    /** The practical of the other grader of the same run, while it counts. */
    private static Map<UUID, Row> others(Map<UUID, Row> practicals) {
        var others = new HashMap<UUID, Row>();
        for (var row : practicals.values()) {
            var first = row.beside() == null ? null : practicals.get(row.beside());
            if (first == null) continue;
            if (row.voidReason() == null) others.put(first.id(), row);
            if (first.voidReason() == null) others.put(row.id(), first);
        }
        return others;
    }
}
