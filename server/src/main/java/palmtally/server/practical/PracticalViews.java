package palmtally.server.practical;

import java.time.Clock;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import palmtally.core.finding.Criterion;
import palmtally.formats.Json;
import palmtally.server.audit.Audit;
import palmtally.server.people.Accounts;
import palmtally.server.people.Caller;
import palmtally.server.practical.PracticalRows.AwardRow;
import palmtally.server.practical.PracticalRows.Row;
import palmtally.server.practical.PracticalView.Cast;
import palmtally.server.practical.PracticalView.Judged;
import palmtally.server.problem.Refusal;
import tools.jackson.core.type.TypeReference;

/** One practical, opened by somebody who may see it. */
@Service
public class PracticalViews {
    private final PracticalRows rows;
    private final Records records;
    private final Accounts accounts;
    private final Audit audit;
    private final Clock clock;

    PracticalViews(PracticalRows rows, Records records, Accounts accounts, Audit audit, Clock clock) {
        this.rows = rows;
        this.records = records;
        this.accounts = accounts;
        this.audit = audit;
        this.clock = clock;
    }

    /** A practical, with a line in the trail. */
    public PracticalView one(Caller caller, UUID id) {
        var row = records.row(id);
        var view = view(caller, row);
        audit.read(caller, row.studentId(), "a practical", id.toString());
        return view;
    }

    /** A practical as one of many tables, whose reading has one line in the trail. */
    PracticalView onFloor(Caller caller, UUID id) {
        return view(caller, records.row(id));
    }

    /** @throws Refusal 403 where it is not the caller's to see, or not yet */
    private PracticalView view(Caller caller, Row row) {
        var id = row.id();
        boolean staff = caller.role().staff();
        records.mayRead(caller, row);
        var award = rows.award(id).orElse(null);
        if (!staff && (award == null || !award.released() || row.voidReason() != null))
            throw Refusal.forbidden("This practical has not been released yet.");
        records.mustNotBeBlind(caller, row);
        var beside = staff ? rows.other(id).map(Row::id).orElse(null) : null;
        return PracticalView.of(
                row,
                new Cast(
                        accounts.person(row.studentId()),
                        row.partnerId() == null ? null : accounts.person(row.partnerId()),
                        accounts.person(row.graderId())),
                records.practical(row),
                judged(id, award),
                beside,
                clock.instant(),
                staff);
    }

    private Judged judged(UUID id, @Nullable AwardRow award) {
        return new Judged(
                rows.rating(id).orElse(null),
                award,
                award == null ? null : accounts.person(award.awardedBy()).name(),
                award == null ? null : selfMarks(id));
    }

    private @Nullable Map<Criterion, Double> selfMarks(UUID id) {
        return rows.selfMark(id)
                .map(b -> Json.MAPPER.<Map<Criterion, Double>>readValue(b, new TypeReference<>() {}))
                .orElse(null);
    }
}
