package palmtally.server.statement;

import static java.util.stream.Collectors.groupingBy;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Pattern;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.statement.Statement;
import palmtally.core.statement.StatementChange;
import palmtally.formats.Json;
import palmtally.server.audit.Audit;
import palmtally.server.competency.Tracking;
import palmtally.server.handout.StatementPaper;
import palmtally.server.people.Access;
import palmtally.server.people.Accounts;
import palmtally.server.people.Caller;
import palmtally.server.people.School;
import palmtally.server.people.Term;
import palmtally.server.people.Terms;
import palmtally.server.problem.Refusal;
import palmtally.server.register.TermHours;

/**
 * What the school stated of its students on paper. A statement keeps what it said when it was issued, and knows each file again that was
 * handed out of it; whether a file is one of those, and what has changed since, anybody may ask who holds it.
 */
@Service
public class Statements {
    /**
     * @param changes what is otherwise now, in words with the marks; empty for nothing
     * @param outdated whether one of them makes it say what is no longer so
     */
    record StatementLine(
            UUID id,
            String code,
            UUID student,
            String name,
            Instant issuedAt,
            String issuedBy,
            List<Statement.Signed> signed,
            List<String> changes,
            boolean outdated) {}

    /** What a file is to the school. */
    enum FileState {
        /** Byte for byte as it was handed out. */
        AS_HANDED_OUT,
        /** It bears the code of a statement, and is no file that was handed out of it. */
        CHANGED,
        /** Only the code was asked for. */
        NOT_ASKED;

        @Override
        public String toString() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /**
     * What whoever holds a statement is told of it: no name and no mark.
     *
     * @param known whether the school issued a statement with this code, or a file with this digest
     * @param signedBy who signed the statement, the first first
     * @param changes what is otherwise now, without a mark
     */
    record VerifyView(
            boolean known,
            String school,
            @Nullable String code,
            @Nullable LocalDate issuedOn,
            @Nullable FileState file,
            List<String> signedBy,
            List<String> changes,
            boolean outdated) {}

    /** @param digest SHA-256 of the file in hexadecimal, or null where only the code is known */
    record VerifyForm(@Nullable String code, @Nullable String digest) {}

    /**
     * A file beside what was handed out, line by line.
     *
     * @param added lines of the file that were not handed out
     * @param missing lines that were, and are not in the file
     */
    record FileCheck(VerifyView view, List<String> added, List<String> missing, List<String> changes) {}

    record Stored(
            UUID id, String code, UUID termId, UUID studentId, Statement facts, UUID issuedBy, Instant issuedAt) {}

    record SignatureRow(
            UUID subject,
            int revision,
            String name,
            String typed,
            @Nullable String drawn,
            Instant at,
            int nth) {
        Statement.Signed signed(Clock clock) {
            return new Statement.Signed(name, typed, LocalDate.ofInstant(at, clock.getZone()), nth);
        }
    }

    record ResultRow(
            UUID practical,
            int revision,
            Instant at,
            String sequence,
            String grader,
            @Nullable Integer mean,
            String result) {}

    record FileRow(String digest, UUID statementId, int signatures, String lines, Instant madeAt) {}

    @Mapper
    interface Rows {
        /** Practicals that count and are shown to the student, the first first. */
        @Select("""
                select p.id as practical, a.revision, p.started_at as at, v.name as sequence, g.name as grader,
                       round(a.mean)::int as mean, a.result
                from counted_practical p
                join newest_award a on a.practical_id = p.id and a.released
                join document_version v on v.id = p.sequence_version_id
                join person g on g.id = a.awarded_by
                where p.term_id = #{term} and p.student_id = #{student} and p.kind = 'practical'
                order by p.started_at, p.id""")
        List<ResultRow> results(UUID term, UUID student);

        /** The last initials under each award of a student that stands. */
        @Select("""
                select distinct on (n.practical_id) n.practical_id as subject, n.revision, g.name, i.typed, i.drawn::text as drawn,
                       n.signed_at as at, n.nth
                from award_signature n
                join counted_practical p on p.id = n.practical_id
                join newest_award a on a.practical_id = p.id and a.revision = n.revision
                join initials i on i.id = n.initials_id
                join person g on g.id = i.account_id
                where p.term_id = #{term} and p.student_id = #{student}
                order by n.practical_id, n.nth desc""")
        List<SignatureRow> awardSignatures(UUID term, UUID student);

        String SIGNED = """
                select n.statement_id as subject, 0 as revision, g.name, i.typed, i.drawn::text as drawn, n.signed_at as at, n.nth
                from statement_signature n
                join statement s on s.id = n.statement_id
                join initials i on i.id = n.initials_id
                join person g on g.id = i.account_id""";

        @Select(SIGNED + " where s.term_id = #{term} order by n.statement_id, n.nth")
        List<SignatureRow> signaturesOfTerm(UUID term);

        @Select(SIGNED + " where s.id = #{id} order by n.nth")
        List<SignatureRow> signatures(UUID id);

        @Insert("""
                insert into statement (id, code, term_id, student_id, facts, issued_by, issued_at)
                values (#{id}, #{code}, #{termId}, #{studentId}, #{facts}, #{issuedBy}, #{issuedAt})""")
        void add(Stored statement);

        String COLUMNS = "select id, code, term_id, student_id, facts, issued_by, issued_at from statement";

        @Select(COLUMNS + " where id = #{id}")
        Optional<Stored> byId(UUID id);

        @Select(COLUMNS + " where code = #{code}")
        Optional<Stored> byCode(String code);

        @Select(COLUMNS + " where term_id = #{term} order by issued_at desc, id")
        List<Stored> ofTerm(UUID term);

        @Select(COLUMNS + " where student_id = #{student} order by issued_at desc, id")
        List<Stored> ofStudent(UUID student);

        @Select("select id from statement where id = #{id} for update")
        Optional<UUID> lock(UUID id);

        @Insert("""
                insert into statement_signature (statement_id, nth, initials_id, signed_at)
                values (#{id}, (select count(*) + 1 from statement_signature where statement_id = #{id}), #{initials}, #{at})""")
        void sign(UUID id, UUID initials, Instant at);

        @Insert("""
                insert into statement_file (digest, statement_id, signatures, lines, made_at)
                values (#{digest}, #{statementId}, #{signatures}, #{lines}::jsonb, #{madeAt}) on conflict do nothing""")
        void addFile(FileRow file);

        String FILE = "select digest, statement_id, signatures, lines::text as lines, made_at from statement_file";

        @Select(FILE + " where digest = #{digest}")
        Optional<FileRow> file(String digest);

        @Select(FILE + " where statement_id = #{id} order by made_at, digest")
        List<FileRow> files(UUID id);
    }

    /** What nobody mistakes for another: no 0, 1, I, L, O or U. */
    private static final String SIGNS = "23456789ABCDEFGHJKMNPQRSTVWXYZ";

    private static final Pattern CODE = Pattern.compile("[" + SIGNS + "]{4}-[" + SIGNS + "]{4}-[" + SIGNS + "]{4}");
    private static final Pattern DIGEST = Pattern.compile("[0-9a-f]{64}");
    private static final SecureRandom RANDOM = new SecureRandom();

    private final Rows rows;
    private final Initials initials;
    private final Tracking tracking;
    private final TermHours hours;
    private final StatementPaper paper;
    private final Accounts accounts;
    private final Terms terms;
    private final School school;
    private final Access access;
    private final Audit audit;
    private final Clock clock;

    Statements(
            Rows rows,
            Initials initials,
            Tracking tracking,
            TermHours hours,
            StatementPaper paper,
            Accounts accounts,
            Terms terms,
            School school,
            Access access,
            Audit audit,
            Clock clock) {
        this.rows = rows;
        this.initials = initials;
        this.tracking = tracking;
        this.hours = hours;
        this.paper = paper;
        this.accounts = accounts;
        this.terms = terms;
        this.school = school;
        this.access = access;
        this.audit = audit;
        this.clock = clock;
    }

    /** What would be stated of a student now. */
    private Statement facts(Caller caller, Term term, UUID student, List<Statement.Signed> signed) {
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
        var counted = hours.student(caller, term.id(), student).hours().kinds().stream()
                .filter(k -> k.kind() != null && (k.counts() > 0 || k.asked() > 0))
                .map(k -> new Statement.HoursLine(k.kind().label(), tenth(k.counts()), tenth(k.asked())))
                .toList();
        return new Statement(
                school.name(),
                accounts.student(student).name(),
                term.name(),
                LocalDate.now(clock),
                competencies,
                results,
                counted,
                signed);
    }

    /** Practicals that count and are shown to the student, with the last initials under each. */
    private List<Statement.ResultLine> results(UUID term, UUID student) {
        Map<UUID, SignatureRow> under = new HashMap<>();
        rows.awardSignatures(term, student).forEach(r -> under.put(r.subject, r));
        return rows.results(term, student).stream()
                .map(r -> new Statement.ResultLine(
                        r.practical.toString(),
                        r.revision,
                        day(r.at),
                        r.sequence,
                        r.grader,
                        r.mean,
                        r.result,
                        signed(under.get(r.practical))))
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

    /** @throws Refusal 404 where the student was in no such term */
    private Term term(UUID id, UUID student) {
        if (terms.students(id).stream().noneMatch(p -> p.id().equals(student)))
            throw Refusal.notFound("student in this term");
        return terms.term(id);
    }

    /** States where a student stands now. */
    @Transactional
    StatementLine issue(Caller caller, UUID term, UUID student) {
        var facts = facts(caller, term(term, student), student, List.of());
        if (facts.results().isEmpty())
            throw Refusal.conflict(
                    "nothing-to-state",
                    "Nothing of this student was awarded and released yet: there is nothing to state.");
        var stored = new Stored(UUID.randomUUID(), code(), term, student, facts, caller.id(), clock.instant());
        rows.add(stored);
        audit.changed(caller, student, "issued a statement of results", stored.code);
        return line(caller, stored, List.of());
    }

    private static String code() {
        var code = new StringBuilder();
        for (int i = 0; i < 12; i++) {
            if (i > 0 && i % 4 == 0) code.append('-');
            code.append(SIGNS.charAt(RANDOM.nextInt(SIGNS.length())));
        }
        return code.toString();
    }

    List<StatementLine> ofTerm(Caller caller, UUID term) {
        var all = rows.ofTerm(term);
        var signatures = rows.signaturesOfTerm(term).stream().collect(groupingBy(SignatureRow::subject));
        audit.readClass(caller, all.size(), "the statements of results");
        return all.stream()
                .map(s -> line(caller, s, signatures.getOrDefault(s.id, List.of())))
                .toList();
    }

    /** What was stated of the caller. */
    List<StatementLine> own(Caller caller) {
        return rows.ofStudent(caller.id()).stream()
                .map(s -> line(caller, s, rows.signatures(s.id)))
                .toList();
    }

    private StatementLine line(Caller caller, Stored s, List<SignatureRow> signatures) {
        var signed = signatures.stream().map(r -> r.signed(clock)).toList();
        // What was signed of the statement itself is a paper's matter and none of what it says.
        var then = with(s.facts, signed);
        var changes = StatementChange.between(then, now(caller, s, signed));
        return new StatementLine(
                s.id,
                s.code,
                s.studentId,
                s.facts.student(),
                s.issuedAt,
                accounts.person(s.issuedBy).name(),
                signed,
                changes.stream().map(StatementChange::words).toList(),
                changes.stream().anyMatch(c -> c.kind().outdates()));
    }

    private static Statement with(Statement s, List<Statement.Signed> signed) {
        return new Statement(
                s.school(), s.student(), s.term(), s.on(), s.competencies(), s.results(), s.hours(), signed);
    }

    /** The results of today: competencies and hours move with every look, and are stated for their day. */
    private Statement now(@Nullable Caller caller, Stored s, List<Statement.Signed> signed) {
        return new Statement(
                s.facts.school(),
                s.facts.student(),
                s.facts.term(),
                LocalDate.now(clock),
                List.of(),
                results(s.termId, s.studentId),
                List.of(),
                signed);
    }

    private Stored stored(Caller caller, UUID id) {
        var s = rows.byId(id).orElseThrow(() -> Refusal.notFound("statement"));
        if (!caller.id().equals(s.studentId) && !access.belongs(caller, s.termId))
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
        for (var all : List.of(signatures, rows.awardSignatures(s.termId, s.studentId)))
            for (var r : all) if (r.drawn != null) drawn.put(r.signed(clock), lines(r.drawn));
        var pdf = paper.print(
                with(s.facts, signatures.stream().map(r -> r.signed(clock)).toList()), s.code, drawn, size);
        rows.addFile(new FileRow(
                digest(pdf), id, signatures.size(), Json.MAPPER.writeValueAsString(PdfLines.of(pdf)), clock.instant()));
        audit.read(caller, s.studentId, "a statement of results", s.code);
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
        if (!access.belongs(caller, s.termId))
            throw Refusal.forbidden("Staff of the term sign what the school states.");
        rows.lock(id);
        rows.sign(id, initials.mine(caller).id(), clock.instant());
        audit.changed(caller, s.studentId, "signed a statement of results", s.code);
        return line(caller, s, rows.signatures(id));
    }

    /** @throws InvalidValue where it is neither a code nor a digest */
    VerifyView verify(VerifyForm form) {
        var faults = new ArrayList<Fault>();
        var code = form.code == null || form.code.isBlank()
                ? null
                : form.code.strip().toUpperCase(Locale.ROOT);
        if (code != null && !CODE.matcher(code).matches())
            faults.add(
                    new Fault("code", form.code.length() > 40 ? "" : form.code, "must be three groups of four signs"));
        if (form.digest != null && !DIGEST.matcher(form.digest).matches())
            faults.add(new Fault("digest", "", "must be a SHA-256 in hexadecimal"));
        if (code == null && form.digest == null) faults.add(new Fault("code", "", "is missing"));
        if (!faults.isEmpty()) throw new InvalidValue("statement", faults);
        var file = form.digest == null ? null : rows.file(form.digest).orElse(null);
        var s = file != null
                ? rows.byId(file.statementId).orElse(null)
                : code == null ? null : rows.byCode(code).orElse(null);
        return s == null
                ? new VerifyView(false, school.name(), null, null, null, List.of(), List.of(), false)
                : view(
                        s,
                        file,
                        file != null
                                ? FileState.AS_HANDED_OUT
                                : form.digest == null ? FileState.NOT_ASKED : FileState.CHANGED);
    }

    private VerifyView view(Stored s, @Nullable FileRow file, FileState state) {
        var signatures = rows.signatures(s.id);
        var changes = changes(s, file, signatures);
        return new VerifyView(
                true,
                s.facts.school(),
                s.code,
                s.facts.on(),
                state,
                signatures.stream().map(SignatureRow::name).distinct().toList(),
                changes.stream().map(StatementChange::plain).toList(),
                changes.stream().anyMatch(c -> c.kind().outdates()));
    }

    private List<StatementChange> changes(Stored s, @Nullable FileRow file, List<SignatureRow> signatures) {
        var signed = signatures.stream().map(r -> r.signed(clock)).toList();
        var then = file == null ? signed : signed.subList(0, Math.min(file.signatures, signed.size()));
        return StatementChange.between(with(s.facts, then), now(null, s, signed));
    }

    /**
     * A file beside what was handed out of the statement whose code it bears, line by line.
     *
     * @throws Refusal 404 where it bears no code of a statement of this school; 403 where that is none of the caller's
     */
    FileCheck check(Caller caller, byte[] sent) {
        var known = rows.file(digest(sent)).orElse(null);
        var lines = PdfLines.of(sent);
        var s = known != null
                ? rows.byId(known.statementId).orElseThrow()
                : CODE.matcher(String.join("\n", lines))
                        .results()
                        .flatMap(m -> rows.byCode(m.group()).stream())
                        .findFirst()
                        .orElseThrow(() -> Refusal.notFound("statement with a code of this file"));
        if (!access.belongs(caller, s.termId)) throw Refusal.forbidden("This statement is not yours to see.");
        audit.read(caller, s.studentId, "a file of a statement of results", s.code);
        List<String> added = List.of();
        List<String> missing = List.of();
        if (known == null) {
            var nearest = rows.files(s.id).stream()
                    .map(f -> List.of(Json.MAPPER.readValue(f.lines, String[].class)))
                    .min((a, b) -> Integer.compare(apart(a, lines), apart(b, lines)))
                    .orElse(List.of());
            added = without(lines, nearest);
            missing = without(nearest, lines);
        }
        return new FileCheck(
                view(s, known, known != null ? FileState.AS_HANDED_OUT : FileState.CHANGED),
                added,
                missing,
                changes(s, known, rows.signatures(s.id)).stream()
                        .map(StatementChange::words)
                        .toList());
    }

    private static int apart(List<String> one, List<String> other) {
        return without(one, other).size() + without(other, one).size();
    }

    /** The lines of one that the other has not, each as often as it has it more. */
    private static List<String> without(List<String> one, List<String> other) {
        var left = new ArrayList<>(other);
        return one.stream().filter(l -> !left.remove(l)).toList();
    }

    static String digest(byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
