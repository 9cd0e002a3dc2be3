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
import palmtally.server.problem.Refusal;

/** Sequences as immutable versions: every change, mend and undo is a new one. */
@Service
public class Sequences {
    /** A sequence with the version it is. */
    public record Versioned(UUID versionId, int version, Sequence sequence) {}

    /** A line of the history. */
    public record VersionLine(int version, String what, Instant createdAt) {}

    record Row(UUID id, String sequenceId, int version, String body) {}

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

    public List<Versioned> all() {
        return rows.current().stream().map(Sequences::read).toList();
    }

    public Versioned newest(String id) {
        return rows.newest(id).map(Sequences::read).orElseThrow(() -> Refusal.notFound("sequence"));
    }

    public Optional<Versioned> find(String id) {
        return rows.newest(id).map(Sequences::read);
    }

    /** Takes several sequences from a file, all or none. */
    @Transactional
    public void takeAll(List<Sequence> incoming, Caller by) {
        incoming.forEach(s -> take(s, by));
    }

    public Versioned version(UUID id) {
        return rows.byId(id).map(Sequences::read).orElseThrow(() -> Refusal.notFound("sequence version"));
    }

    public Versioned numbered(String id, int version) {
        return rows.numbered(id, version).map(Sequences::read).orElseThrow(() -> Refusal.notFound("version"));
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
        int now = newest.map(Row::version).orElse(0);
        if (now != from) throw changedMeanwhile();
        int added = rows.add(
                UUID.randomUUID(),
                sequence,
                now + 1,
                sequence.region().toString(),
                what,
                Json.MAPPER.writeValueAsString(sequence),
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
        var now = rows.newest(sequence.id()).map(Sequences::read);
        if (now.isPresent() && now.get().sequence().equals(sequence)) return now.get();
        return save(sequence, now.map(Versioned::version).orElse(0), "Read from a file", by);
    }

    /**
     * The version that says the very same; a sequence nobody knew is stored.
     *
     * @throws Refusal 409 where the id is known and no version of it says the same
     */
    @Transactional
    public Versioned same(Sequence sequence) {
        var versions = rows.versions(sequence.id());
        if (versions.isEmpty()) return save(sequence, 0, "Read from a record", null);
        return versions.stream()
                .map(Sequences::read)
                .filter(v -> v.sequence().equals(sequence))
                .findFirst()
                .orElseThrow(() -> Refusal.conflict(
                        "other-sequence",
                        "The record was graded against a sequence \"" + sequence.id()
                                + "\" that differs from every version here. Read that sequence from its file first."));
    }

    private static Versioned read(Row row) {
        return new Versioned(row.id, row.version, Documents.storedSequence(row.body));
    }
}
