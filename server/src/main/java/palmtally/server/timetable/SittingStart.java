package palmtally.server.timetable;

import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.server.people.Accounts;
import palmtally.server.people.Caller;
import palmtally.server.people.Terms;
import palmtally.server.practical.Admission;
import palmtally.server.practical.PracticalView;
import palmtally.server.practical.PracticalViews;
import palmtally.server.practical.Practicals;
import palmtally.server.problem.Refusal;
import palmtally.server.timetable.DayRows.SittingRow;

/** Begins a practical from its place in the day. */
@Service
class SittingStart {
    private final DayRows rows;
    private final PracticalDays days;
    private final Practicals practicals;
    private final PracticalViews views;
    private final Admission admission;
    private final Accounts accounts;
    private final Terms terms;

    SittingStart(
            DayRows rows,
            PracticalDays days,
            Practicals practicals,
            PracticalViews views,
            Admission admission,
            Accounts accounts,
            Terms terms) {
        this.rows = rows;
        this.days = days;
        this.practicals = practicals;
        this.views = views;
        this.admission = admission;
        this.accounts = accounts;
        this.terms = terms;
    }

    private SittingRow one(UUID term, UUID day, UUID sitting) {
        terms.mustBeOpen(term);
        return days.sitting(days.lock(term, day).id(), sitting);
    }

    /**
     * Begins it at its table with its graders, or says which practical it is where it has begun.
     *
     * @param today what the body on the table must be spared today, or null where nobody asked
     * @throws Refusal 409 where something is in the way, as for any practical
     */
    @Transactional
    public UUID start(Caller caller, UUID term, UUID day, UUID sitting, @Nullable List<Practicals.Spared> today) {
        var row = one(term, day, sitting);
        if (row.practicalId() != null) return row.practicalId();
        var grader = row.graderId() == null || row.graderId().equals(caller.id()) ? null : row.graderId();
        var brief = new Practicals.Brief(
                term,
                row.studentId(),
                row.clientId(),
                row.sequence(),
                null,
                row.retakeOf() == null ? null : again(caller, row.retakeOf()),
                null,
                row.tableNumber() == null ? 1 : row.tableNumber(),
                null,
                today,
                null,
                row.retakeOf(),
                null,
                null,
                grader);
        admission.pass(caller, brief, practicals.asked(caller, brief));
        var id = practicals.start(caller, brief);
        if (row.secondId() != null) {
            var second = accounts.person(row.secondId());
            practicals.beside(new Caller(second.id(), second.name(), second.role()), id);
        }
        keep(row, id);
        return id;
    }

    /** The steps a re-take asks for; the whole where nothing of it is to be shown again. */
    private @Nullable List<String> again(Caller caller, UUID retakeOf) {
        PracticalView first = views.one(caller, retakeOf);
        return first.again().isEmpty()
                ? null
                : first.again().stream().map(a -> a.step()).toList();
    }

    private void keep(SittingRow row, UUID practical) {
        if (rows.started(row.id(), practical) == 0)
            throw Refusal.conflict("begun", "This practical has begun already.");
        rows.touch(row.dayId());
    }

    /**
     * Says which practical was begun of it by the long way.
     *
     * @throws InvalidValue where that is none of the same student in this term
     */
    @Transactional
    public void started(UUID term, UUID day, UUID sitting, @Nullable UUID practical) {
        var row = one(term, day, sitting);
        if (practical == null || !rows.isOf(practical, term, row.studentId()))
            throw new InvalidValue(
                    "practical",
                    new Fault("practical", Objects.toString(practical, ""), "is no practical of this student"));
        if (!practical.equals(row.practicalId())) keep(row, practical);
    }
}
