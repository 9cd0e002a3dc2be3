package palmtally.server.sequence;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.people.ClientNote;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Checks;
import palmtally.core.sequence.Mend;
import palmtally.core.sequence.Sequence;
import palmtally.formats.Documents;
import palmtally.formats.Json;
import palmtally.server.people.Caller;
import palmtally.server.problem.Readable;
import palmtally.server.problem.Refusal;

/** Sequences as immutable versions: every change, mend and undo is a new one. */
@Service
public class Sequences {
    /**
     * A sequence with the version it is.
     *
     * @param damaged says that a newer version cannot be read, and why; null where this one is the newest
     */
    public record Versioned(
            UUID versionId,
            int version,
            Sequence sequence,
            @Nullable String damaged) {}

    /** A sequence of which no version can be read. */
    public record Unreadable(String id, String name, String region, int version, String why) {}

    /** A line of the history. */
    public record VersionLine(int version, String what, Instant createdAt) {}

    record Row(UUID id, String sequenceId, int version, String body) {}

    record Named(String name, String region) {}

    @Mapper
    interface Rows {
        @Select("""
                select distinct on (sequence_id) id, sequence_id, version, body::text as body
                from sequence_version order by sequence_id, version desc""")
        List<Row> current();

        @Select("""
                select id, sequence_id, version, body::text as body from sequence_version
                where sequence_id = #{sequence} order by version desc limit 1""")
        Optional<Row> newest(String sequence);

        @Select("""
                select id, sequence_id, version, body::text as body from sequence_version
                where sequence_id = #{sequence} and version = #{version}""")
        Optional<Row> numbered(String sequence, int version);

        @Select("select id, sequence_id, version, body::text as body from sequence_version where id = #{id}")
        Optional<Row> byId(UUID id);

        @Select("""
                select id, sequence_id, version, body::text as body from sequence_version
                where sequence_id = #{sequence} order by version desc""")
        List<Row> versions(String sequence);

        @Select("""
                select name, region from sequence_version
                where sequence_id = #{sequence} order by version desc limit 1""")
        Named named(String sequence);

        @Select("""
                select version, what, created_at from sequence_version
                where sequence_id = #{sequence} order by version desc limit 50""")
        List<VersionLine> history(String sequence);

        @Insert("""
                insert into sequence_version (id, sequence_id, version, name, region, slot_seconds, what, body, created_by)
                values (#{id}, #{sequence.id}, #{version}, #{sequence.name}, #{region}, #{sequence.slotSeconds}, #{what},
                        #{body}::jsonb, #{by})
                on conflict (sequence_id, version) do nothing""")
        int add(UUID id, Sequence sequence, int version, String region, String what, String body, @Nullable UUID by);
    }

    private final Rows rows;

    Sequences(Rows rows) {
        this.rows = rows;
    }

    /** The newest of each, or the newest before it that can be read; one of which none can be read is not among them. */
    public List<Versioned> all() {
        return rows.current().stream()
                .flatMap(r -> readable(r).found().stream())
                .toList();
    }

    /** Those of which no version can be read. */
    public List<Unreadable> unreadable() {
        return rows.current().stream()
                .filter(r -> readable(r).document() == null)
                .map(r -> {
                    var named = rows.named(r.sequenceId);
                    var why = readable(r).damaged();
                    return new Unreadable(
                            r.sequenceId,
                            named.name,
                            named.region,
                            r.version,
                            why == null ? "" : String.valueOf(why.getMessage()));
                })
                .toList();
    }

    /** @throws Refusal 404 where there is none, 409 where no version of it can be read */
    public Versioned newest(String id) {
        return rows.newest(id)
                .map(this::readable)
                .orElseThrow(() -> Refusal.notFound("sequence"))
                .orRefuse("sequence");
    }

    public Optional<Versioned> find(String id) {
        return rows.newest(id).flatMap(r -> readable(r).found());
    }

    private Readable<Row, Versioned> readable(Row newest) {
        var read = Readable.of(newest, () -> rows.versions(newest.sequenceId), Sequences::read);
        var there = read.document();
        var damaged = read.damaged();
        if (there == null || damaged == null) return read;
        return new Readable<>(
                read.row(),
                new Versioned(
                        there.versionId,
                        there.version,
                        there.sequence,
                        "Version " + newest.version + " cannot be read (" + damaged.getMessage() + "). This is version "
                                + there.version + "; what is saved from it becomes the newest."),
                damaged);
    }

    /** Takes several sequences from a file, all or none. */
    @Transactional
    public void takeAll(List<Sequence> incoming, Caller by) {
        incoming.forEach(s -> take(s, by));
    }

    /** @throws Refusal 404 where there is none, 409 where it cannot be read */
    public Versioned version(UUID id) {
        return readOne(rows.byId(id).orElseThrow(() -> Refusal.notFound("sequence version")));
    }

    /** @throws Refusal 404 where there is none, 409 where it cannot be read */
    public Versioned numbered(String id, int version) {
        return readOne(rows.numbered(id, version).orElseThrow(() -> Refusal.notFound("version")));
    }

    private static Versioned readOne(Row row) {
        return Readable.of(row, List::<Row>of, Sequences::read).orRefuse("version of the sequence");
    }

    public List<VersionLine> history(String id) {
        return rows.history(id);
    }

    /**
     * Saves what was made of a version.
     *
     * @param from the version it was made from; 0 for a new sequence
     * @throws Refusal 409 when somebody saved another meanwhile
     */
    @Transactional
    public Versioned save(Sequence sequence, int from, String what, @Nullable Caller by) {
        var newest = rows.newest(sequence.id());
        int now =
                newest.flatMap(r -> readable(r).found()).map(Versioned::version).orElse(0);
        if (now != from) throw changedMeanwhile();
        var body = Json.MAPPER.writeValueAsString(sequence);
        // What could not be read back, or not be judged, is not stored.
        Checks.run(Documents.storedSequence(body), Profile.bySeconds());
        int added = rows.add(
                UUID.randomUUID(),
                sequence,
                newest.map(Row::version).orElse(0) + 1,
                sequence.region().toString(),
                what,
                body,
                by == null ? null : by.id());
        if (added == 0) throw changedMeanwhile();
        return newest(sequence.id());
    }

    private static Refusal changedMeanwhile() {
        return Refusal.conflict(
                "changed-meanwhile",
                "Somebody changed this sequence meanwhile. Read it again; nothing of yours was stored.");
    }

    /** An id out of a name that no sequence has yet: lower case, hyphens, at most 64 characters. */
    public String freshId(String name) {
        var plain = java.text.Normalizer.normalize(name, java.text.Normalizer.Form.NFD)
                .replaceAll("\\p{M}+", "")
                .toLowerCase(java.util.Locale.ROOT)
                .replaceAll("[^a-z0-9]+", "-")
                .replaceAll("^-+|-+$", "");
        if (plain.length() > 56) plain = plain.substring(0, 56).replaceAll("-+$", "");
        var stem = plain.isEmpty() ? "sequence" : plain;
        var id = stem;
        for (int i = 2; rows.newest(id).isPresent(); i++) id = stem + "-" + i;
        return id;
    }

    /** Applies the mend of one finding and saves the result. */
    @Transactional
    public Versioned mend(String id, int from, String key, Profile profile, Caller by) {
        var now = newest(id);
        var mend = mendOf(now.sequence(), key, profile, List.of());
        return save(mend.apply(now.sequence()), from, mend.label(), by);
    }

    /**
     * The edit that mends one finding about a sequence.
     *
     * @throws Refusal 404 where there is no such finding, 422 where it has no mend
     */
    static Mend mendOf(Sequence sequence, String key, Profile profile, List<ClientNote> notes) {
        return Checks.run(sequence, profile, notes).found().stream()
                .filter(f -> f.finding().key().equals(key))
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("finding in this version"))
                .mend()
                .orElseThrow(() ->
                        Refusal.invalid("no-mend", "This finding has no mend to apply; change the steps instead."));
    }

    /** Brings the content of an earlier version back as a new one. */
    @Transactional
    public Versioned restore(String id, int from, int version, Caller by) {
        return save(numbered(id, version).sequence(), from, "Back to version " + version, by);
    }

    /** Takes a sequence from a file: a new version where the id is known, unless it says the same. */
    @Transactional
    public Versioned take(Sequence sequence, @Nullable Caller by) {
        var now = find(sequence.id());
        if (now.isPresent() && now.get().sequence().equals(sequence)) return now.get();
        return save(sequence, now.map(Versioned::version).orElse(0), "Read from a file", by);
    }

    /**
     * The version that says the very same; a sequence nobody knew is stored where one who plans brings it.
     *
     * @throws Refusal 403 where a grader brings one that nobody knew; 409 where the id is known and no version of it says the same
     */
    @Transactional
    public Versioned same(Sequence sequence, Caller by) {
        var versions = rows.versions(sequence.id());
        if (versions.isEmpty()) by.mustPlan("sequences, and this record brings one that is not known here");
        if (versions.isEmpty()) return save(sequence, 0, "Read from a record", null);
        return versions.stream()
                .flatMap(r -> Readable.of(r, List::<Row>of, Sequences::read).found().stream())
                .filter(v -> v.sequence().equals(sequence))
                .findFirst()
                .orElseThrow(() -> Refusal.conflict(
                        "other-sequence",
                        "The record was graded against a sequence \"" + sequence.id()
                                + "\" that differs from every version here. Read that sequence from its file first."));
    }

    private static Versioned read(Row row) {
        return new Versioned(row.id, row.version, Documents.storedSequence(row.body), null);
    }
}
