package palmtally.server.statement;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.statement.StatementChange;
import palmtally.formats.Json;
import palmtally.formats.Sha256;
import palmtally.server.audit.Audit;
import palmtally.server.people.Access;
import palmtally.server.people.Caller;
import palmtally.server.people.School;
import palmtally.server.problem.Refusal;
import palmtally.server.statement.StatementMapper.FileRow;
import palmtally.server.statement.StatementMapper.SignatureRow;
import palmtally.server.statement.StatementMapper.Stored;

/** Whether a file or a code is of a statement of this school, and what has changed since it was made. */
@Service
public class Verification {
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

    private List<StatementChange> changes(Stored s, @Nullable FileRow file, List<SignatureRow> signatures) {
        return facts.changes(s, file == null ? signatures.size() : file.signatures(), signatures);
    }

    /**
     * A file beside what was handed out, line by line.
     *
     * @param added lines of the file that were not handed out
     * @param missing lines that were, and are not in the file
     */
    record FileCheck(VerifyView view, List<String> added, List<String> missing, List<String> changes) {}

    private static final Pattern DIGEST = Pattern.compile("[0-9a-f]{64}");

    private final StatementMapper rows;
    private final StatementFacts facts;
    private final School school;
    private final Access access;
    private final Audit audit;

    Verification(StatementMapper rows, StatementFacts facts, School school, Access access, Audit audit) {
        this.rows = rows;
        this.facts = facts;
        this.school = school;
        this.access = access;
        this.audit = audit;
    }

    /** @throws InvalidValue where it is neither a code nor a digest */
    VerifyView verify(VerifyForm form) {
        var faults = new ArrayList<Fault>();
        var code = form.code == null || form.code.isBlank()
                ? null
                : form.code.strip().toUpperCase(Locale.ROOT);
        if (code != null && !CheckCode.PATTERN.matcher(code).matches())
            faults.add(
                    new Fault("code", form.code.length() > 40 ? "" : form.code, "must be three groups of four signs"));
        if (form.digest != null && !DIGEST.matcher(form.digest).matches())
            faults.add(new Fault("digest", "", "must be a SHA-256 in hexadecimal"));
        if (code == null && form.digest == null) faults.add(new Fault("code", "", "is missing"));
        if (!faults.isEmpty()) throw new InvalidValue("statement", faults);
        var file = form.digest == null ? null : rows.file(form.digest).orElse(null);
        var s = file != null
                ? rows.byId(file.statementId()).orElse(null)
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
        var signatures = rows.signatures(s.id());
        var changes = changes(s, file, signatures);
        return new VerifyView(
                true,
                s.facts().school(),
                s.code(),
                s.facts().on(),
                state,
                signatures.stream().map(SignatureRow::name).distinct().toList(),
                changes.stream().map(StatementChange::plain).toList(),
                changes.stream().anyMatch(c -> c.kind().outdates()));
    }

    /**
     * A file beside what was handed out of the statement whose code it bears, line by line.
     *
     * @throws Refusal 404 where it bears no code of a statement of this school; 403 where that is none of the caller's
     */
    FileCheck check(Caller caller, byte[] sent) {
        var known = rows.file(Sha256.of(sent)).orElse(null);
        var lines = PdfLines.of(sent);
        var s = known != null
                ? rows.byId(known.statementId()).orElseThrow()
                : CheckCode.PATTERN
                        .matcher(String.join("\n", lines))
                        .results()
                        .flatMap(m -> rows.byCode(m.group()).stream())
                        .findFirst()
                        .orElseThrow(() -> Refusal.notFound("statement with a code of this file"));
        if (!access.belongs(caller, s.termId())) throw Refusal.forbidden("This statement is not yours to see.");
        audit.read(caller, s.studentId(), "a file of a statement of results", s.code());
        List<String> added = List.of();
        List<String> missing = List.of();
        if (known == null) {
            var nearest = rows.files(s.id()).stream()
                    .map(f -> List.of(Json.MAPPER.readValue(f.lines(), String[].class)))
                    .min((a, b) -> Integer.compare(apart(a, lines), apart(b, lines)))
                    .orElse(List.of());
            added = without(lines, nearest);
            missing = without(nearest, lines);
        }
        return new FileCheck(
                view(s, known, known != null ? FileState.AS_HANDED_OUT : FileState.CHANGED),
                added,
                missing,
                changes(s, known, rows.signatures(s.id())).stream()
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
}
