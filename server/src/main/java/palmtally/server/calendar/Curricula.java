package palmtally.server.calendar;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.calendar.Curriculum;
import palmtally.core.calendar.Lesson;
import palmtally.core.calendar.TermChecks;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;
import palmtally.formats.Documents;
import palmtally.formats.Json;
import palmtally.formats.TermFile;
import palmtally.server.people.Caller;
import palmtally.server.people.People;
import palmtally.server.people.Term;
import palmtally.server.problem.Readable;
import palmtally.server.problem.Refusal;
import palmtally.server.sequence.Sequences;

/** The plan of each term as immutable versions. */
@Service
public class Curricula {
    /**
     * A curriculum with the version it is; 0 while nothing was planned.
     *
     * @param damaged says that the newest version cannot be read, and why; null where this is the newest
     */
    public record Versioned(
            int version, Curriculum curriculum, @Nullable String damaged) {}

    /** A line of the history. */
    public record TermVersionLine(int version, String what, Instant createdAt) {}

    record Row(int version, String body) {}

    @Mapper
    interface Rows {
        @Select("""
                select version, body::text as body from curriculum_version
                where term_id = #{term} order by version desc limit 1""")
        Optional<Row> newest(UUID term);

        @Select("""
                select version, body::text as body from curriculum_version
                where term_id = #{term} order by version desc""")
        List<Row> versions(UUID term);

        @Select("""
                select version, body::text as body from curriculum_version
                where term_id = #{term} and version = #{version}""")
        Optional<Row> numbered(UUID term, int version);

        @Select("""
                select version, what, created_at from curriculum_version
                where term_id = #{term} order by version desc limit 50""")
        List<TermVersionLine> history(UUID term);

        @Insert("""
                insert into curriculum_version (id, term_id, version, what, body, created_by)
                values (#{id}, #{term}, #{version}, #{what}, #{body}::jsonb, #{by})
                on conflict (term_id, version) do nothing""")
        int add(UUID id, UUID term, int version, String what, String body, @Nullable UUID by);
    }

    private final Rows rows;
    private final People people;
    private final Sequences sequences;

    Curricula(Rows rows, People people, Sequences sequences) {
        this.rows = rows;
        this.people = people;
        this.sequences = sequences;
    }

    /** The newest version, where that is damaged the newest before it that can be read, or an empty plan of the term's weeks. */
    public Versioned newest(UUID term) {
        var row = rows.newest(term).orElse(null);
        Term of = people.term(term);
        var empty = Curriculum.empty("term", of.name(), of.weeks());
        if (row == null) return new Versioned(0, empty, null);
        var read = Readable.of(row, () -> rows.versions(term), Curricula::read);
        var damaged = read.damaged();
        if (damaged == null) return read.orRefuse("plan");
        var shown = read.found();
        return new Versioned(
                row.version,
                shown.map(Versioned::curriculum).orElse(empty),
                "Version " + row.version + " cannot be read (" + damaged.getMessage() + "). "
                        + shown.map(v -> "This is version " + v.version).orElse("This is an empty plan")
                        + "; what is saved from it becomes the newest.");
    }

    /** @throws Refusal 404 where there is none, 409 where it cannot be read */
    public Versioned numbered(UUID term, int version) {
        var row = rows.numbered(term, version).orElseThrow(() -> Refusal.notFound("version"));
        return Readable.of(row, List::<Row>of, Curricula::read).orRefuse("version of the plan");
    }

    public List<TermVersionLine> history(UUID term) {
        return rows.history(term);
    }

    /**
     * @param from the version it was made from; 0 for the first
     * @throws Refusal 409 when somebody saved another meanwhile, or the term is in the archive
     */
    @Transactional
    public Versioned save(UUID term, Curriculum curriculum, int from, String what, @Nullable Caller by) {
        people.mustBeOpen(term);
        int now = rows.newest(term).map(Row::version).orElse(0);
        var body = Json.MAPPER.writeValueAsString(curriculum);
        // What could not be read back, or not be judged, is not stored.
        TermChecks.run(
                Documents.storedCurriculum(body),
                sequences.all().stream().map(Sequences.Versioned::sequence).toList(),
                Profile.bySeconds());
        if (now != from || rows.add(UUID.randomUUID(), term, now + 1, what, body, by == null ? null : by.id()) == 0)
            throw Refusal.conflict(
                    "changed-meanwhile",
                    "Somebody changed the plan of this term meanwhile. Read it again; nothing of yours was stored.");
        return newest(term);
    }

    /**
     * Puts what a lesson left for another day onto the plan of the next week, or takes it out again where nothing is left. A term in
     * the archive stays as it is.
     *
     * @param lesson id of the one that left it
     * @param into id of the lesson that it becomes, the same however often this is asked
     * @return the week it went to, or 0 where there is none or nothing is left
     */
    @Transactional
    public int leaveForAnotherDay(
            UUID term, String lesson, String into, List<String> steps, double minutes, Caller by) {
        // Whoever saves at the same moment goes first; what they saved is then read.
        for (int tries = 0; tries < 5 && !people.archived(term); tries++) {
            var now = newest(term);
            var of = now.curriculum().lesson(lesson).orElse(null);
            if (of == null) return 0;
            var after = now.curriculum().leavingForAnotherDay(of, into, steps, minutes);
            int week = after.lesson(into).map(Lesson::week).orElse(0);
            if (after.equals(now.curriculum())
                    || rows.add(
                                    UUID.randomUUID(),
                                    term,
                                    now.version() + 1,
                                    week > 0 ? "Left for another day" : "Shown after all",
                                    Json.MAPPER.writeValueAsString(after),
                                    by.id())
                            > 0) return week;
        }
        return 0;
    }

    /** Takes a whole curriculum from a file, its sequences with it; all or nothing. */
    @Transactional
    public Versioned take(UUID term, TermFile file, Caller by) {
        sequences.takeAll(file.sequences(), by);
        var now = newest(term);
        if (now.version() > 0 && now.curriculum().equals(file.curriculum())) return now;
        return save(term, file.curriculum(), now.version(), "Read from a file", by);
    }

    /** The plan with every sequence that its lessons name. */
    public TermFile file(UUID term) {
        var curriculum = newest(term).curriculum();
        var named = new HashSet<String>();
        curriculum.lessons().forEach(l -> {
            if (l.sequence() != null) named.add(l.sequence());
        });
        var with = new ArrayList<Sequence>();
        for (var v : sequences.all()) if (named.contains(v.sequence().id())) with.add(v.sequence());
        return new TermFile(curriculum, with);
    }

    private static Versioned read(Row row) {
        return new Versioned(row.version, Documents.storedCurriculum(row.body), null);
    }
}
