package palmtally.server.statement;

import static java.util.stream.Collectors.groupingBy;

import java.time.Clock;
import java.time.Instant;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.statement.Letter;
import palmtally.core.statement.Statement;
import palmtally.core.statement.StatementChange;
import palmtally.formats.Json;
import palmtally.formats.Sha256;
import palmtally.server.audit.Audit;
import palmtally.server.handout.StatementPaper;
import palmtally.server.people.Access;
import palmtally.server.people.Accounts;
import palmtally.server.people.Caller;
import palmtally.server.people.Term;
import palmtally.server.people.Terms;
import palmtally.server.problem.Refusal;
import palmtally.server.statement.StatementMapper.FileRow;
import palmtally.server.statement.StatementMapper.SignatureRow;
import palmtally.server.statement.StatementMapper.Stored;

/**
 * What the school stated of its students on paper. A statement keeps what it said when it was issued, and each file that was
 * handed out of it is kept by its digest, so that it is known again.
 */
@Service
public class Statements {
    /**
     * @param changes what is otherwise now, in words with the marks; empty for nothing
     * @param outdated whether one of them makes it say what is no longer so
     */
    record StatementLine(
            UUID id,
            Statement.Kind kind,
            String code,
            UUID student,
            String name,
            Instant issuedAt,
            String issuedBy,
            List<Statement.Signed> signed,
            List<String> changes,
            boolean outdated) {}

    private final StatementMapper rows;
    private final Initials initials;
    private final StatementFacts facts;
    private final StatementPaper paper;
    private final Accounts accounts;
    private final Terms terms;
    private final Access access;
    private final Audit audit;
    private final Clock clock;

    Statements(
            StatementMapper rows,
            StatementFacts facts,
            Initials initials,
            StatementPaper paper,
            Accounts accounts,
            Terms terms,
            Access access,
            Audit audit,
            Clock clock) {
        this.rows = rows;
        this.initials = initials;
        this.facts = facts;
        this.paper = paper;
        this.accounts = accounts;
        this.terms = terms;
        this.access = access;
        this.audit = audit;
        this.clock = clock;
    }

    /** @throws Refusal 404 where the student was in no such term */
    private Term term(UUID id, UUID student) {
        if (terms.students(id).stream().noneMatch(p -> p.id().equals(student)))
            throw Refusal.notFound("student in this term");
        return terms.term(id);
    }

    /** States where a student stands now. */
    @Transactional
    StatementLine issue(Caller caller, UUID term, UUID student, Statement.Kind kind) {
        var facts = this.facts.now(term(term, student), student, kind);
        if (kind == Statement.Kind.HOURS && facts.hours().stream().allMatch(h -> h.hours() == 0))
            throw Refusal.conflict(
                    "nothing-to-state", "No hours of this student count in this term yet: there is nothing to state.");
        if (kind == Statement.Kind.RESULTS && facts.results().isEmpty())
            throw Refusal.conflict(
                    "nothing-to-state",
                    "Nothing of this student was awarded and released yet: there is nothing to state.");
        return add(caller, term, student, facts);
    }

    private StatementLine add(Caller caller, UUID term, UUID student, Statement facts) {
        var stored =
                new Stored(UUID.randomUUID(), CheckCode.draw(), term, student, facts, caller.id(), clock.instant());
        rows.add(stored);
        audit.changed(caller, student, "issued a " + facts.about().title().toLowerCase(Locale.ROOT), stored.code());
        return line(stored, List.of());
    }

    /** A letter to begin with, of what is stated of the student today. */
    String letter(Caller caller, UUID term, UUID student) {
        var drafted = Letter.draft(facts.now(term(term, student), student, Statement.Kind.LETTER), caller.name());
        audit.read(caller, student, "what a letter says");
        return drafted;
    }

    /** Keeps a letter as it was edited, with the results it was written on. */
    @Transactional
    StatementLine write(Caller caller, UUID term, UUID student, String text) {
        var now = facts.now(term(term, student), student, Statement.Kind.LETTER);
        var letter = Letter.checked(text);
        var unprintable = StatementPaper.unprintable(letter);
        if (!unprintable.isEmpty())
            throw new InvalidValue(
                    "letter",
                    new Fault("text", String.join(" ", unprintable), "must be in letters that can be printed"));
        return add(caller, term, student, StatementFacts.with(now, letter));
    }

    List<StatementLine> ofTerm(Caller caller, UUID term) {
        var all = rows.ofTerm(term);
        var signatures = rows.signaturesOfTerm(term).stream().collect(groupingBy(SignatureRow::subject));
        audit.readClass(caller, all.size(), "the statements of results");
        return all.stream()
                .map(s -> line(s, signatures.getOrDefault(s.id(), List.of())))
                .toList();
    }

    /**
     * The newest of each student of a term that still holds, by name: what is handed out to the cohort.
     *
     * @throws Refusal 409 where there is none
     */
    List<StatementLine> toHandOut(Caller caller, UUID term, Statement.Kind kind) {
        var newest = new LinkedHashMap<UUID, StatementLine>();
        for (var s : ofTerm(caller, term)) if (s.kind() == kind && !s.outdated()) newest.putIfAbsent(s.student(), s);
        if (newest.isEmpty())
            throw Refusal.conflict("nothing-to-state", "None was issued that still holds. Issue them first.");
        return newest.values().stream()
                .sorted(Comparator.comparing(StatementLine::name).thenComparing(StatementLine::id))
                .toList();
    }

    /** What was stated of the caller. */
    List<StatementLine> own(Caller caller) {
        return rows.ofStudent(caller.id()).stream()
                .map(s -> line(s, rows.signatures(s.id())))
                .toList();
    }

    private StatementLine line(Stored s, List<SignatureRow> signatures) {
        // What was signed of the statement itself is a paper's matter and none of what it says.
        var changes = facts.changes(s, signatures.size(), signatures);
        return new StatementLine(
                s.id(),
                s.facts().about(),
                s.code(),
                s.studentId(),
                s.facts().student(),
                s.issuedAt(),
                accounts.person(s.issuedBy()).name(),
                signatures.stream().map(r -> r.signed(clock)).toList(),
                changes.stream().map(StatementChange::words).toList(),
                changes.stream().anyMatch(c -> c.kind().outdates()));
    }

    private Stored stored(Caller caller, UUID id) {
        var s = rows.byId(id).orElseThrow(() -> Refusal.notFound("statement"));
        if (!caller.id().equals(s.studentId()) && !access.belongs(caller, s.termId()))
            throw Refusal.forbidden("This statement is not yours to see.");
        return s;
    }

    /** Its paper, which is known again from now on. */
    @Transactional
    public byte[] file(Caller caller, UUID id, String size) {
        var s = stored(caller, id);
        rows.lock(id);
        var signatures = rows.signatures(id);
        var drawn = new HashMap<Statement.Signed, List<List<Double>>>();
        for (var all : List.of(signatures, rows.awardSignatures(s.termId(), s.studentId())))
            for (var r : all) if (r.drawn() != null) drawn.put(r.signed(clock), lines(r.drawn()));
        var pdf = paper.print(
                StatementFacts.with(
                        s.facts(), signatures.stream().map(r -> r.signed(clock)).toList()),
                s.code(),
                drawn,
                size);
        rows.addFile(new FileRow(
                Sha256.of(pdf),
                id,
                signatures.size(),
                Json.MAPPER.writeValueAsString(PdfLines.of(pdf)),
                clock.instant()));
        audit.read(caller, s.studentId(), "a statement of results", s.code());
        return pdf;
    }

    static List<List<Double>> lines(String drawn) {
        return Arrays.stream(Json.MAPPER.readValue(drawn, Double[][].class))
                .map(List::of)
                .toList();
    }

    /** Puts the caller's initials to the whole of it; what is handed out from then on has them. */
    @Transactional
    StatementLine sign(Caller caller, UUID id) {
        var s = stored(caller, id);
        if (!access.belongs(caller, s.termId()))
            throw Refusal.forbidden("Staff of the term sign what the school states.");
        rows.lock(id);
        rows.sign(id, initials.mine(caller).id(), clock.instant());
        audit.changed(caller, s.studentId(), "signed a statement of results", s.code());
        return line(s, rows.signatures(id));
    }
}
