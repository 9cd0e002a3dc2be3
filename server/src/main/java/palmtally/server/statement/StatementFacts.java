package palmtally.server.statement;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import palmtally.core.statement.Statement;
import palmtally.core.statement.Statement.Kind;
import palmtally.core.statement.StatementChange;
import palmtally.server.competency.Tracking;
import palmtally.server.people.Accounts;
import palmtally.server.people.School;
import palmtally.server.people.Term;
import palmtally.server.register.TermHours;
import palmtally.server.statement.StatementMapper.SignatureRow;
import palmtally.server.statement.StatementMapper.Stored;

/** What is stated of a student, and what of it is otherwise by now. */
@Component
class StatementFacts {
    private final StatementMapper rows;
    private final Tracking tracking;
    private final TermHours hours;
    private final Accounts accounts;
    private final School school;
    private final Clock clock;

    StatementFacts(
            StatementMapper rows, Tracking tracking, TermHours hours, Accounts accounts, School school, Clock clock) {
        this.rows = rows;
        this.tracking = tracking;
        this.hours = hours;
        this.accounts = accounts;
        this.school = school;
        this.clock = clock;
    }

    /** What would be stated of a student now. */
    Statement now(Term term, UUID student, Kind kind) {
        var hours = hours(term.id(), student);
        if (kind == Kind.HOURS)
            return new Statement(
                    school.name(),
                    accounts.student(student).name(),
                    term.name(),
                    LocalDate.now(clock),
                    List.of(),
                    List.of(),
                    hours,
                    List.of(),
                    kind,
                    null);
        var results = results(term.id(), student);
        Map<String, Statement.ResultLine> byId = new HashMap<>();
        results.forEach(r -> byId.put(r.practical(), r));
        var competencies = new ArrayList<Statement.CompetencyLine>();
        for (var region : tracking.stated(term, student))
            for (var line : region.lines()) {
                if (line.bar().level() == null) continue;
                var last = line.history().get(line.history().size() - 1).practical();
                var by = byId.get(last.toString());
                competencies.add(new Statement.CompetencyLine(
                        region.region().label(),
                        line.bar().criterion().label(),
                        line.bar().state().toString(),
                        (int) Math.round(line.bar().level()),
                        by == null ? null : by.on(),
                        by == null ? null : by.grader(),
                        by == null ? null : by.signed()));
            }
        return new Statement(
                school.name(),
                accounts.student(student).name(),
                term.name(),
                LocalDate.now(clock),
                competencies,
                results,
                hours,
                List.of(),
                kind,
                null);
    }

    /** The same with the text of a letter. */
    static Statement with(Statement s, String text) {
        return new Statement(
                s.school(),
                s.student(),
                s.term(),
                s.on(),
                s.competencies(),
                s.results(),
                s.hours(),
                s.signed(),
                s.kind(),
                text);
    }

    /** Hours by kind, of those that count or are asked for. */
    private List<Statement.HoursLine> hours(UUID term, UUID student) {
        return hours.counted(term, student).kinds().stream()
                .filter(k -> k.kind() != null && (k.counts() > 0 || k.asked() > 0))
                .map(k -> new Statement.HoursLine(k.kind().label(), tenth(k.counts()), tenth(k.asked())))
                .toList();
    }

    /** Practicals that count and are shown to the student, with the last initials under each. */
    private List<Statement.ResultLine> results(UUID term, UUID student) {
        Map<UUID, SignatureRow> under = new HashMap<>();
        rows.awardSignatures(term, student).forEach(r -> under.put(r.subject(), r));
        return rows.results(term, student).stream()
                .map(r -> new Statement.ResultLine(
                        r.practical().toString(),
                        r.revision(),
                        day(r.at()),
                        r.sequence(),
                        r.grader(),
                        r.mean(),
                        r.result(),
                        signed(under.get(r.practical()))))
                .toList();
    }

    private static double tenth(double hours) {
        return Math.round(hours * 10) / 10.0;
    }

    private LocalDate day(Instant at) {
        return LocalDate.ofInstant(at, clock.getZone());
    }

    private Statement.@Nullable Signed signed(@Nullable SignatureRow row) {
        return row == null ? null : row.signed(clock);
    }

    /** A statement with the signatures that were under it at some time. */
    static Statement with(Statement s, List<Statement.Signed> signed) {
        return new Statement(
                s.school(),
                s.student(),
                s.term(),
                s.on(),
                s.competencies(),
                s.results(),
                s.hours(),
                signed,
                s.kind(),
                s.text());
    }

    /** What of it can be otherwise today: the results; competencies and hours beside them move with every look, and are stated for their day. */
    private Statement today(Stored s, List<Statement.Signed> signed) {
        boolean hours = s.facts().about() == Kind.HOURS;
        return new Statement(
                s.facts().school(),
                s.facts().student(),
                s.facts().term(),
                LocalDate.now(clock),
                List.of(),
                hours ? List.of() : results(s.termId(), s.studentId()),
                hours ? hours(s.termId(), s.studentId()) : List.of(),
                signed,
                s.facts().kind(),
                null);
    }

    /**
     * What is otherwise now.
     *
     * @param signed how many signatures it had when it was handed out
     * @param signatures all that it has now
     */
    List<StatementChange> changes(Stored s, int signed, List<SignatureRow> signatures) {
        var all = signatures.stream().map(r -> r.signed(clock)).toList();
        return StatementChange.between(with(s.facts(), all.subList(0, Math.min(signed, all.size()))), today(s, all));
    }
}
