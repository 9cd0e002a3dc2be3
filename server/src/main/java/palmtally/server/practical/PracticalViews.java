package palmtally.server.practical;

import java.time.Clock;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import palmtally.core.finding.Criterion;
import palmtally.core.picture.Picture;
import palmtally.core.picture.StepPicture;
import palmtally.core.practical.Practical;
import palmtally.core.sequence.Timeline;
import palmtally.formats.Json;
import palmtally.server.audit.Audit;
import palmtally.server.people.Accounts;
import palmtally.server.people.Caller;
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
        return view(caller, opened(caller, id));
    }

    /**
     * A step of its plan as it is to be done, on the side that is asked for or the first.
     *
     * @throws Refusal 404 where its plan has no such step
     */
    Picture picture(Caller caller, UUID id, String step, @Nullable String side) {
        var row = records.row(id);
        records.mayRead(caller, row);
        var practical = open(caller, row).practical();
        return Timeline.of(practical.brief(), practical.profile()).spans().stream()
                .filter(s -> s.stint().step().id().equals(step))
                .filter(s -> side == null || s.stint().side().toString().equals(side))
                .findFirst()
                .map(StepPicture::of)
                .orElseThrow(() -> Refusal.notFound("step of this practical"));
    }

    /** A practical as it is written into a file, with a line in the trail. */
    Practical record(Caller caller, UUID id) {
        return opened(caller, id).practical();
    }

    private OpenedPractical opened(Caller caller, UUID id) {
        var row = records.row(id);
        records.mayRead(caller, row);
        var opened = open(caller, row);
        audit.read(caller, row.studentId(), "a practical", id.toString());
        return opened;
    }

    /** A practical as one of many tables, whose reading has one line in the trail. */
    PracticalView onFloor(Caller caller, UUID id) {
        var row = records.row(id);
        records.mayRead(caller, row);
        return view(caller, open(caller, row));
    }

    private PracticalView view(Caller caller, OpenedPractical opened) {
        return PracticalView.of(opened, clock.instant(), caller.role().staff());
    }

    /** @throws Refusal 403 where it is not the caller's to see yet */
    private OpenedPractical open(Caller caller, Row row) {
        var id = row.id();
        boolean staff = caller.role().staff();
        var award = rows.award(id).orElse(null);
        if (!staff && (award == null || !award.released() || row.voidReason() != null))
            throw Refusal.forbidden("This practical has not been released yet.");
        records.mustNotBeBlind(caller, row);
        return new OpenedPractical(
                row,
                accounts.person(row.studentId()),
                row.partnerId() == null ? null : accounts.person(row.partnerId()),
                accounts.person(row.graderId()),
                records.practical(row),
                rows.rating(id).orElse(null),
                award,
                award == null ? "" : accounts.person(award.awardedBy()).name(),
                award == null
                        ? null
                        : rows.selfMark(id).map(PracticalViews::marks).orElse(null),
                staff ? rows.other(id).map(Row::id).orElse(null) : null);
    }

    static Map<Criterion, Double> marks(String stored) {
        return Json.MAPPER.readValue(stored, new TypeReference<>() {});
    }
}
