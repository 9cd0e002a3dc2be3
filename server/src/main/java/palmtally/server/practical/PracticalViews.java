package palmtally.server.practical;

import static java.util.function.Function.identity;
import static java.util.stream.Collectors.toMap;

import java.time.Clock;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import org.springframework.stereotype.Service;
import palmtally.core.finding.Criterion;
import palmtally.core.practical.Practical;
import palmtally.formats.Json;
import palmtally.server.audit.Audit;
import palmtally.server.people.Access;
import palmtally.server.people.Accounts;
import palmtally.server.people.Caller;
import palmtally.server.people.Person;
import palmtally.server.practical.PracticalRows.Row;
import palmtally.server.problem.Refusal;
import tools.jackson.core.type.TypeReference;

/** One practical, opened by somebody who may see it. */
@Service
public class PracticalViews {
    private final PracticalRows rows;
    private final Records records;
    private final Accounts accounts;
    private final Audit audit;
    private final Access access;
    private final Clock clock;

    PracticalViews(PracticalRows rows, Records records, Accounts accounts, Audit audit, Access access, Clock clock) {
        this.rows = rows;
        this.records = records;
        this.accounts = accounts;
        this.audit = audit;
        this.access = access;
        this.clock = clock;
    }

    /** A practical, with a line in the trail. */
    public PracticalView one(Caller caller, UUID id) {
        return view(caller, opened(caller, id));
    }

    /** A practical as it is written into a file, with a line in the trail. */
    Practical record(Caller caller, UUID id) {
        return opened(caller, id).practical();
    }

    private OpenedPractical opened(Caller caller, UUID id) {
        var row = records.row(id);
        records.mayRead(caller, row);
        var opened = open(caller, row, Attached.each(rows), accounts::person);
        audit.read(caller, row.studentId(), "a practical", id.toString());
        return opened;
    }

    /** A practical as one of many tables, whose reading has one line in the trail. */
    PracticalView onFloor(Caller caller, UUID id) {
        var row = records.row(id);
        records.mayRead(caller, row);
        return view(caller, open(caller, row, Attached.each(rows), accounts::person));
    }

    private PracticalView view(Caller caller, OpenedPractical opened) {
        return PracticalView.of(opened, clock.instant(), caller.role().staff());
    }

    /**
     * Every practical of a term for somebody who teaches it, each with a line in the trail as it is opened; of all but the taps the term is
     * read once. Nothing comes of those that the caller marks on their own and must not see yet.
     */
    public Function<UUID, Optional<OpenedPractical>> ofTerm(Caller caller, UUID term) {
        access.mustTeach(caller, term);
        var practicals = rows.ofTerm(term).stream().collect(toMap(Row::id, identity()));
        var attached = Attached.ofTerm(practicals, rows, term);
        var people = new HashMap<UUID, Person>();
        return id -> {
            var row = practicals.get(id);
            if (row == null || records.blind(caller, row, attached)) return Optional.empty();
            var opened = open(caller, row, attached, p -> people.computeIfAbsent(p, accounts::person));
            audit.read(caller, row.studentId(), "a practical", id.toString());
            return Optional.of(opened);
        };
    }

    /** @throws Refusal 403 where it is not the caller's to see yet */
    private OpenedPractical open(Caller caller, Row row, Attached attached, Function<UUID, Person> people) {
        var id = row.id();
        boolean staff = caller.role().staff();
        var award = attached.award(id).orElse(null);
        if (!staff && (award == null || !award.released() || row.voidReason() != null))
            throw Refusal.forbidden("This practical has not been released yet.");
        records.mustNotBeBlind(caller, row, attached);
        return new OpenedPractical(
                row,
                people.apply(row.studentId()),
                row.partnerId() == null ? null : people.apply(row.partnerId()),
                people.apply(row.graderId()),
                records.practical(row),
                attached.rating(id).orElse(null),
                award,
                award == null ? "" : people.apply(award.awardedBy()).name(),
                award == null
                        ? null
                        : attached.selfMark(id).map(PracticalViews::marks).orElse(null),
                staff ? attached.other(id).map(Row::id).orElse(null) : null);
    }

    private static Map<Criterion, Double> marks(String stored) {
        return Json.MAPPER.readValue(stored, new TypeReference<>() {});
    }
}
