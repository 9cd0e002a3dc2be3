package palmtally.server.earlier;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Base64;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.earlier.MarksMapping;
import palmtally.core.earlier.MarksReading;
import palmtally.core.earlier.MarksReading.LeftOut;
import palmtally.core.earlier.MarksTable;
import palmtally.core.earlier.StudentNames;
import palmtally.formats.FormatException;
import palmtally.formats.Json;
import palmtally.formats.Sha256;
import palmtally.formats.SheetFile;
import palmtally.server.audit.Audit;
import palmtally.server.earlier.EarlierMarkMapper.StoredImport;
import palmtally.server.earlier.EarlierMarkMapper.StoredMark;
import palmtally.server.people.Access;
import palmtally.server.people.Accounts;
import palmtally.server.people.Caller;
import palmtally.server.people.Person;
import palmtally.server.people.Role;
import palmtally.server.people.Terms;
import palmtally.server.problem.Refusal;

/**
 * Marks that were given before the school used this: read out of somebody's table as it is shown first, taken over as one, and undone as one.
 * They stand beside what is seen now and count for none of it: nobody here saw them.
 */
@Service
public class EarlierMarks {
    /** So many of what was left out, of names' candidates and of lines are shown; how many there are is said. */
    private static final int SHOWN = 100;

    private static final int LINES = 12;
    private static final int SAMPLES = 3;

    /**
     * A file to read.
     *
     * @param file its bytes in Base64 (RFC 4648)
     * @param sheet which of those that hold something, from 0
     * @param mapping how it is to be read, or null to guess or remember
     * @param title what it is called from now on, where it is taken over
     */
    record MarksFile(
            @Nullable String file,
            @Nullable String fileName,
            @Nullable Integer sheet,
            @Nullable MarksMappingForm mapping,
            @Nullable String title) {}

    record Candidate(String id, String name, String signIn) {}

    record NameLine(
            String given,
            int rows,
            StudentNames.Found found,
            boolean chosen,
            @Nullable String student,
            List<Candidate> candidates) {}

    /**
     * What a file would become.
     *
     * @param remembered whether its columns are read as those of a file before
     * @param students who may be meant
     * @param samples of each column, its first different cells
     * @param fault why it cannot be read this way, or null
     * @param taken what the same file is called that was taken over before, or null
     */
    record MarksPreview(
            List<String> sheets,
            int sheet,
            List<String> head,
            List<List<String>> samples,
            MarksMapping mapping,
            boolean remembered,
            @Nullable String fault,
            int rows,
            int marks,
            List<NameLine> names,
            List<Candidate> students,
            List<String> regions,
            List<String> wordsWithoutWorth,
            List<LeftOut> leftOut,
            int leftOutInAll,
            List<Integer> repeated,
            List<MarksReading.EarlierMark> lines,
            @Nullable String taken) {}

    record ImportLine(
            UUID id,
            String title,
            String fileName,
            int marks,
            int leftOut,
            String importedBy,
            Instant importedAt,
            @Nullable String undoneBy,
            @Nullable Instant undoneAt) {}

    private final EarlierMarkMapper rows;
    private final Accounts accounts;
    private final Terms terms;
    private final Access access;
    private final Audit audit;
    private final Clock clock;

    EarlierMarks(EarlierMarkMapper rows, Accounts accounts, Terms terms, Access access, Audit audit, Clock clock) {
        this.rows = rows;
        this.accounts = accounts;
        this.terms = terms;
        this.access = access;
        this.audit = audit;
        this.clock = clock;
    }

    /** A file and what was read of it. */
    private record Opened(
            SheetFile sheet,
            String digest,
            MarksTable table,
            String likeness,
            MarksMapping mapping,
            boolean remembered,
            Map<String, Candidate> known,
            @Nullable MarksReading read,
            @Nullable String fault) {}

    private Opened open(Caller caller, UUID term, MarksFile given) {
        if (given.file == null) throw new InvalidValue("marks", new Fault("file", "", "is missing"));
        byte[] file;
        try {
            file = Base64.getDecoder().decode(given.file);
        } catch (IllegalArgumentException e) {
            throw new InvalidValue("marks", new Fault("file", "", "must be Base64"));
        }
        SheetFile sheet;
        try {
            sheet = SheetFile.read(file, given.sheet == null ? 0 : given.sheet);
        } catch (FormatException e) {
            throw new InvalidValue("marks", e.faults());
        }
        var table = new MarksTable(sheet.rows());
        // Heads may be longer than what an index holds.
        var likeness = Sha256.of(table.likeness().getBytes(StandardCharsets.UTF_8));
        var known = known(caller, term);
        var remembered = given.mapping == null ? rows.mapping(likeness).orElse(null) : null;
        var mapping = given.mapping != null
                ? given.mapping.mapping()
                : remembered != null && remembered.columns().size() == table.width()
                        ? withKnown(remembered, known)
                        : table.guess();
        if (mapping.columns().size() != table.width())
            throw new InvalidValue(
                    "mapping",
                    new Fault(
                            "columns",
                            String.valueOf(mapping.columns().size()),
                            "must be as many as the table has, " + table.width()));
        if (mapping.headRow() > table.rows().size())
            throw new InvalidValue(
                    "mapping", new Fault("headRow", String.valueOf(mapping.headRow()), "must be a row of the table"));
        mapping.names().forEach((name, id) -> {
            if (!id.isEmpty() && !known.containsKey(id))
                throw new InvalidValue("mapping", new Fault("names", id, "must be students whom you teach"));
        });
        MarksReading read = null;
        String fault = null;
        try {
            read = table.read(
                    mapping,
                    new StudentNames(known.values().stream()
                            .map(c -> new StudentNames.Student(c.id, c.name, c.signIn))
                            .toList()));
        } catch (InvalidValue e) {
            fault = e.faults().get(0).reason();
        }
        return new Opened(sheet, Sha256.of(file), table, likeness, mapping, remembered != null, known, read, fault);
    }

    /** Whom a name may mean: students of the term, and for the lead all of the school. */
    private Map<String, Candidate> known(Caller caller, UUID term) {
        var known = new LinkedHashMap<String, Candidate>();
        var here = terms.students(term).stream().map(Person::id).collect(Collectors.toSet());
        for (var s : accounts.students())
            if (caller.role() == Role.LEAD || here.contains(s.id()))
                known.put(s.id().toString(), new Candidate(s.id().toString(), s.name(), s.signIn()));
        return known;
    }

    /** What was said once of names and regions holds for whoever is still there. */
    private static MarksMapping withKnown(MarksMapping m, Map<String, Candidate> known) {
        return new MarksMapping(
                m.headRow(),
                m.columns(),
                m.days(),
                m.names().entrySet().stream()
                        .filter(e -> e.getValue().isEmpty() || known.containsKey(e.getValue()))
                        .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue)),
                m.regions());
    }

    /** Reads a file without keeping anything of it. */
    MarksPreview preview(Caller caller, UUID term, MarksFile given) {
        var o = open(caller, term, given);
        var samples = new ArrayList<List<String>>();
        for (int c = 0; c < o.table.width(); c++) {
            var cells = new java.util.LinkedHashSet<String>();
            for (int r = o.mapping.headRow(); r < o.table.rows().size() && cells.size() < SAMPLES; r++) {
                var cell = o.table.cell(r, c).strip();
                if (!cell.isEmpty()) cells.add(cell.length() > 40 ? cell.substring(0, 39) + "…" : cell);
            }
            samples.add(List.copyOf(cells));
        }
        var read = o.read != null ? o.read : new MarksReading(List.of(), List.of(), List.of(), List.of(), List.of());
        return new MarksPreview(
                o.sheet.names(),
                o.sheet.sheet(),
                o.table.head(o.mapping.headRow()),
                samples,
                o.mapping,
                o.remembered,
                o.fault,
                o.table.rows().size() - o.mapping.headRow(),
                read.marks().size(),
                read.names().stream().map(n -> line(o, n)).toList(),
                o.known.values().stream()
                        .sorted(Comparator.comparing(Candidate::name))
                        .toList(),
                read.regions(),
                read.wordsWithoutWorth(),
                read.leftOut().stream().limit(SHOWN).toList(),
                read.leftOut().size(),
                read.repeated(),
                read.marks().stream().limit(LINES).toList(),
                rows.taken(term, o.digest).orElse(null));
    }

    private static NameLine line(Opened o, MarksReading.NameRead n) {
        return new NameLine(
                n.given(),
                n.rows(),
                n.match().found(),
                n.chosen(),
                n.student(),
                n.match().candidates().stream().map(s -> o.known.get(s.id())).toList());
    }

    /**
     * Takes over every mark that was read; what was left out stays out.
     *
     * @throws InvalidValue where the file or the mapping will not do
     * @throws Refusal 409 where the same file was taken already
     */
    @Transactional
    ImportLine take(Caller caller, UUID term, MarksFile given) {
        var title = given.title == null ? "" : given.title.strip();
        if (title.isEmpty() || title.length() > 100)
            throw new InvalidValue("marks", new Fault("title", title, "must be 1 to 100 characters"));
        var name = given.fileName == null ? "" : given.fileName.strip();
        if (name.length() > 200)
            throw new InvalidValue("marks", new Fault("fileName", "", "must be at most 200 characters"));
        var o = open(caller, term, given);
        if (o.read == null) throw new InvalidValue("mapping", new Fault("columns", "", String.valueOf(o.fault)));
        if (o.read.marks().isEmpty())
            throw new InvalidValue("marks", new Fault("file", "", "holds no mark that is read this way"));
        rows.lock();
        rows.taken(term, o.digest).ifPresent(before -> {
            throw Refusal.conflict(
                    "taken-already",
                    "The same file was taken over as \"" + before + "\". Undo that first to take it anew.");
        });
        var made = new StoredImport(
                UUID.randomUUID(),
                term,
                title,
                name,
                o.digest,
                o.likeness,
                o.mapping,
                o.read.marks().size(),
                o.read.leftOut().size(),
                caller.id(),
                clock.instant(),
                null,
                null);
        rows.add(made);
        rows.addMarks(made.id(), Json.MAPPER.writeValueAsString(o.read.marks()));
        audit.changed(caller, null, "took over earlier marks", title + ", " + made.marks() + " marks");
        return line(made);
    }

    List<ImportLine> ofTerm(UUID term) {
        return rows.ofTerm(term).stream().map(this::line).toList();
    }

    /** Undoes what was taken over, as one: none of its marks is kept. */
    @Transactional
    ImportLine undo(Caller caller, UUID id) {
        var made = rows.byId(id).orElseThrow(() -> Refusal.notFound("file of marks"));
        access.mustTeach(caller, made.termId());
        if (rows.undo(id, caller.id(), clock.instant()) == 0)
            throw Refusal.conflict("undone-already", "This was undone already.");
        rows.forget(id);
        audit.changed(caller, null, "undid earlier marks", made.title());
        return line(rows.byId(id).orElseThrow());
    }

    private ImportLine line(StoredImport i) {
        return new ImportLine(
                i.id(),
                i.title(),
                i.fileName(),
                i.marks(),
                i.leftOut(),
                accounts.person(i.importedBy()).name(),
                i.importedAt(),
                i.undoneBy() == null ? null : accounts.person(i.undoneBy()).name(),
                i.undoneAt());
    }

    /** What came over of a student, the oldest first. */
    List<StoredMark> ofStudent(Caller caller, UUID student) {
        accounts.student(student);
        access.maySee(caller, student);
        audit.read(caller, student, "earlier marks", "");
        return rows.ofStudent(student);
    }

    List<StoredMark> own(Caller caller) {
        return rows.ofStudent(caller.id());
    }
}
