package palmtally.server.technique;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Techniques;
import palmtally.formats.Documents;
import palmtally.formats.Json;
import palmtally.server.people.Caller;
import palmtally.server.problem.Readable;
import palmtally.server.problem.Refusal;

/** The library of techniques as this school has it: the standard one, and what was changed. */
@Service
public class Library {
    /** A technique with its version; 0 while it is the standard one. */
    public record Versioned(int version, Technique technique) {}

    record Row(String techniqueId, int version, String body) {}

    @Mapper
    interface Rows {
        @Select("""
                select distinct on (technique_id) technique_id, version, body::text as body
                from technique_version order by technique_id, version desc""")
        List<Row> current();

        @Select("""
                select technique_id, version, body::text as body from technique_version
                where technique_id = #{technique} order by version desc limit 1""")
        Optional<Row> newest(String technique);

        @Select("""
                select technique_id, version, body::text as body from technique_version
                where technique_id = #{technique} order by version desc""")
        List<Row> versions(String technique);

        @Insert("""
                insert into technique_version (id, technique_id, version, body, created_by)
                values (#{id}, #{technique}, #{version}, #{body}::jsonb, #{by}) on conflict do nothing""")
        int add(UUID id, String technique, int version, String body, @Nullable UUID by);
    }

    private final Rows rows;

    Library(Rows rows) {
        this.rows = rows;
    }

    public Techniques techniques() {
        var changed = rows.current().stream()
                .flatMap(r -> readable(r).found().stream())
                .toList();
        return changed.isEmpty() ? Techniques.standard() : Techniques.standard().with(changed);
    }

    /** @throws Refusal 404 where there is no such technique */
    public Versioned newest(String id) {
        var standard = Techniques.standard().find(id).orElseThrow(() -> Refusal.notFound("technique"));
        var newest = rows.newest(id);
        // One that is damaged is the one before it, and at last the standard one; the next is numbered after it all the
        // same.
        return newest.map(r -> new Versioned(r.version, readable(r).found().orElse(standard)))
                .orElse(new Versioned(0, standard));
    }

    /**
     * @param from the version it was made from
     * @throws Refusal 409 when somebody saved another meanwhile
     */
    @Transactional
    public Versioned save(Technique technique, int from, Caller by) {
        var now = newest(technique.id());
        if (now.technique().equals(technique)) return now;
        // Aliases must stay different over the whole library.
        techniques().with(List.of(technique));
        var body = Json.MAPPER.writeValueAsString(technique);
        // What could not be read back is not stored.
        Documents.storedTechnique(body);
        if (now.version() != from || rows.add(UUID.randomUUID(), technique.id(), from + 1, body, by.id()) == 0)
            throw Refusal.conflict(
                    "changed-meanwhile",
                    "Somebody changed this technique meanwhile. Read it again; nothing was stored.");
        return newest(technique.id());
    }

    private Readable<Row, Technique> readable(Row newest) {
        return Readable.of(newest, () -> rows.versions(newest.techniqueId), r -> Documents.storedTechnique(r.body));
    }
}
