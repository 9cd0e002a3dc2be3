package palmtally.server.profile;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.profile.Profile;
import palmtally.formats.Documents;
import palmtally.formats.Json;
import palmtally.server.people.Caller;
import palmtally.server.people.People;
import palmtally.server.people.Role;
import palmtally.server.problem.Readable;
import palmtally.server.problem.Refusal;

/** The school's profiles. A version never changes: what was graded points to the one it was graded by. */
@Service
public class Profiles {
    /** A profile with the version it is. */
    public record Versioned(UUID versionId, int version, Profile profile) {}

    record Row(UUID id, String profileId, int version, String name, String body) {}

    @Mapper
    interface Rows {
        @Select("""
                select distinct on (profile_id) id, profile_id, version, name, body::text as body
                from profile_version order by profile_id, version desc""")
        List<Row> current();

        @Select("select id, profile_id, version, name, body::text as body from profile_version where id = #{id}")
        Optional<Row> byId(UUID id);

        @Select("""
                select id, profile_id, version, name, body::text as body from profile_version
                where profile_id = #{profile} order by version desc limit 1""")
        Optional<Row> newest(String profile);

        @Select("""
                select id, profile_id, version, name, body::text as body from profile_version
                where profile_id = #{profile} order by version desc""")
        List<Row> versions(String profile);

        @Insert("""
                insert into profile_version (id, profile_id, version, name, body)
                values (#{id}, #{profileId}, #{version}, #{name}, #{body}::jsonb) on conflict do nothing""")
        int add(Row row);
    }

    private static final int MOST_KNOWN = 200;

    private final Rows rows;
    private final People people;
    private final Map<UUID, Versioned> known = new ConcurrentHashMap<>();

    Profiles(Rows rows, People people) {
        this.rows = rows;
        this.people = people;
    }

    /** The newest version of each; the shipped ones are stored the first time they are asked for. */
    @Transactional
    public List<Versioned> all() {
        if (rows.current().isEmpty()) Profile.shipped().forEach(this::save);
        return rows.current().stream()
                .flatMap(r -> readable(r).found().stream())
                .toList();
    }

    @Transactional
    public Versioned newest(String profileId) {
        var newest = rows.newest(profileId);
        if (newest.isEmpty()) {
            all();
            newest = rows.newest(profileId);
        }
        return newest.map(this::readable)
                .orElseThrow(() -> Refusal.notFound("profile"))
                .orRefuse("profile");
    }

    /** The profile the school works by. */
    public Versioned ofSchool() {
        return newest(people.schoolProfile());
    }

    /** The newest profile of that id, or the school's where none is named. */
    public Profile named(@Nullable String profileId) {
        return (profileId == null ? ofSchool() : newest(profileId)).profile();
    }

    public Versioned version(UUID id) {
        var row = rows.byId(id).orElseThrow(() -> Refusal.notFound("profile version"));
        return Readable.of(row, List::<Row>of, this::read).orRefuse("version of the profile");
    }

    /** A new version, unless it says what the newest says already. */
    @Transactional
    public Versioned save(Profile profile) {
        var newest = rows.newest(profile.id());
        var readable = newest.flatMap(r -> readable(r).found());
        if (readable.isPresent() && readable.get().profile().equals(profile)) return readable.get();
        int version = newest.map(n -> n.version + 1).orElse(1);
        var body = Json.MAPPER.writeValueAsString(profile);
        // What could not be read back is not stored.
        Documents.storedProfile(body);
        var row = new Row(UUID.randomUUID(), profile.id(), version, profile.name(), body);
        if (rows.add(row) == 0 && newest.isPresent())
            throw Refusal.conflict("changed-meanwhile", "Somebody saved this profile meanwhile; read it again.");
        return newest(profile.id());
    }

    /**
     * The version that says the very same; a profile nobody knew is stored where the lead brings it.
     *
     * @throws Refusal 403 where another than the lead brings one that nobody knew; 409 where the id is known and no version of it says the same
     */
    @Transactional
    public Versioned same(Profile profile, Caller by) {
        all();
        var versions = rows.versions(profile.id());
        if (versions.isEmpty() && by.role() != Role.LEAD)
            throw Refusal.forbidden("This record was judged by a profile \"" + profile.id()
                    + "\" that is not known here; the lead reads profiles, under School.");
        if (versions.isEmpty()) return save(profile);
        return versions.stream()
                .flatMap(r -> Readable.of(r, List::<Row>of, this::read).found().stream())
                .filter(v -> v.profile().equals(profile))
                .findFirst()
                .orElseThrow(() -> Refusal.conflict(
                        "other-profile",
                        "The record was judged by a profile \"" + profile.id()
                                + "\" that differs from every version here. Read that profile from its file first."));
    }

    private Readable<Row, Versioned> readable(Row newest) {
        return Readable.of(newest, () -> rows.versions(newest.profileId), this::read);
    }

    /** A version never changes, and every check asks for one: each is made of its JSON once. */
    private Versioned read(Row row) {
        if (known.size() > MOST_KNOWN) known.clear();
        return known.computeIfAbsent(row.id, id -> new Versioned(id, row.version, Documents.storedProfile(row.body)));
    }
}
