package palmtally.server.competency;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import palmtally.core.body.Region;
import palmtally.core.competency.Competency.State;
import palmtally.core.finding.Criterion;
import palmtally.formats.Table;
import palmtally.server.audit.Audit;
import palmtally.server.people.Access;
import palmtally.server.people.Accounts;
import palmtally.server.people.Caller;
import palmtally.server.people.Terms;

/** Marks and evidence of a term to take along: tables for a spreadsheet, and everything as JSON. */
@Service
class Marks {
    /** One piece of evidence as it is handed out. */
    record Piece(
            UUID practical,
            Instant at,
            double week,
            Region region,
            Criterion criterion,
            double score,
            double weight,
            boolean critical,
            boolean released) {}

    record StudentEvidence(UUID student, String name, List<Piece> evidence, List<Tracking.Palm> competency) {}

    /** @param format palm-tally/evidence */
    record EvidenceFile(
            String format,
            int version,
            UUID term,
            String name,
            double week,
            int weeks,
            double cut,
            String way,
            List<StudentEvidence> students) {}

    private final Standings standings;
    private final Accounts accounts;
    private final Terms terms;
    private final Access access;
    private final Audit audit;
    private final Clock clock;

    Marks(Standings standings, Accounts accounts, Terms terms, Access access, Audit audit, Clock clock) {
        this.standings = standings;
        this.accounts = accounts;
        this.terms = terms;
        this.access = access;
        this.audit = audit;
        this.clock = clock;
    }

    /** One row a student and region: the five levels, their mean, how many are secure, and each state. */
    Table marks(Caller caller, UUID term) {
        var columns = new ArrayList<>(List.of("student", "region"));
        for (var c : Criterion.values()) columns.add(c.toString());
        columns.addAll(List.of("mean", "secure"));
        for (var c : Criterion.values()) columns.add(c + " state");
        var lines = new ArrayList<List<@Nullable Object>>();
        for (var student : cohort(caller, term))
            for (var palm : student.palms()) {
                var line = new ArrayList<@Nullable Object>(
                        List.of(student.name(), palm.region().toString()));
                palm.bars().forEach(b -> line.add(b.level()));
                var levels = palm.bars().stream()
                        .map(Tracking.Bar::level)
                        .filter(java.util.Objects::nonNull)
                        .mapToDouble(Double::doubleValue)
                        .average();
                line.add(levels.isPresent() ? levels.getAsDouble() : null);
                line.add(palm.secure());
                palm.bars().forEach(b -> line.add(b.state().toString()));
                lines.add(line);
            }
        return new Table("Marks", columns, lines);
    }

    /** One row a student: how many criteria are in which state. */
    Table students(Caller caller, UUID term) {
        var lines = new ArrayList<List<@Nullable Object>>();
        for (var s : cohort(caller, term)) {
            var line = new ArrayList<@Nullable Object>(List.of(s.name()));
            for (var state : State.values())
                line.add(s.palms().stream()
                        .flatMap(p -> p.bars().stream())
                        .filter(b -> b.state() == state)
                        .count());
            lines.add(line);
        }
        var columns = new ArrayList<>(List.of("student"));
        Arrays.stream(State.values()).forEach(s -> columns.add(s.toString()));
        return new Table("Students", columns, lines);
    }

    private List<Tracking.StudentRow> cohort(Caller caller, UUID term) {
        var now = standings.ofTerm(term);
        var students = terms.students(term);
        audit.readClass(caller, students.size(), "the marks of the class");
        return students.stream().map(s -> Tracking.row(now, s)).toList();
    }

    /** @param student one of them, or null for all of the term */
    EvidenceFile evidence(Caller caller, UUID termId, @Nullable UUID student) {
        if (student != null) access.maySee(caller, student);
        boolean own = !caller.role().staff();
        var term = terms.term(termId);
        var whole = student == null ? standings.ofTerm(termId) : standings.ofStudent(term, student, own);
        var all = new ArrayList<StudentEvidence>();
        if (student == null) audit.readClass(caller, terms.students(termId).size(), "the evidence of the class");
        else audit.read(caller, student, "the evidence");
        for (var s : student == null ? terms.students(termId) : List.of(accounts.person(student))) {
            var pieces = standings.evidence(termId, s.id()).stream()
                    .filter(r -> !own || r.released())
                    .map(r -> new Piece(
                            r.practicalId(),
                            r.seenAt(),
                            term.week(r.seenAt(), clock.getZone()),
                            r.region(),
                            r.criterion(),
                            r.score(),
                            r.weight(),
                            r.critical(),
                            r.released()))
                    .sorted(Comparator.comparing(Piece::at)
                            .thenComparing(Piece::practical)
                            .thenComparing(Piece::region)
                            .thenComparing(Piece::criterion))
                    .toList();
            all.add(new StudentEvidence(
                    s.id(), s.name(), pieces, Tracking.row(whole, s).palms()));
        }
        return new EvidenceFile(
                "palm-tally/evidence",
                1,
                termId,
                term.cohort(),
                whole.week(),
                term.weeks(),
                whole.profile().marking().cut(),
                whole.profile().ways().termMark().label(),
                all);
    }
}
