package palmtally.server.incident;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;
import palmtally.core.incident.IncidentWords;
import palmtally.server.people.KeptOfStudent.Part;

/** Records of incidents, who is named in them, and what was added. */
@Mapper
interface IncidentMapper {
    record IncidentRow(
            UUID id,
            UUID practicalId,
            long atMs,
            UUID studentId,
            String student,
            String sequence,
            @Nullable String partner,
            Instant startedAt,
            String who,
            String what,
            String done,
            String told,
            int revision,
            UUID writtenById,
            String writtenBy,
            Instant writtenAt,
            @Nullable String signedBy,
            @Nullable Instant signedAt) {
        IncidentWords words() {
            return new IncidentWords(who, what, done, told);
        }

        boolean signed() {
            return signedAt != null;
        }
    }

    record NamedPerson(UUID id, String name) {}

    record AdditionLine(String words, String by, Instant at) {}

    String INCIDENTS = """
            select i.id, i.practical_id, i.at_ms, i.student_id, s.name as student, v.name as sequence, c.name as partner, p.started_at,
                   i.who, i.what, i.done, i.told, i.revision, i.written_by as written_by_id, w.name as written_by, i.written_at,
                   g.name as signed_by, i.signed_at
            from incident i
            join practical_run p on p.id = i.practical_id
            join person s on s.id = i.student_id
            join person w on w.id = i.written_by
            join document_version v on v.id = p.sequence_version_id
            left join person c on c.id = p.partner_id
            left join person g on g.id = i.signed_by
            """;

    @Select(INCIDENTS + "where i.id = #{id}")
    Optional<IncidentRow> byId(UUID id);

    @Select(INCIDENTS + "where i.id = #{id} for update of i")
    Optional<IncidentRow> lock(UUID id);

    /** All of the school, or those somebody wrote or is named in; the newest first. */
    @Select(INCIDENTS + """
                    where #{account}::uuid is null or i.written_by = #{account}
                       or exists (select 1 from incident_named n where n.incident_id = i.id and n.account_id = #{account})
                    order by p.started_at desc, i.at_ms, i.id limit #{most}""")
    List<IncidentRow> seenBy(@Nullable UUID account, int most);

    /** Moments of a practical that have a record, whoever may read it. */
    @Select("select at_ms from incident where practical_id = #{practical}")
    Set<Long> recorded(UUID practical);

    @Select("""
            select n.account_id as id, a.name from incident_named n join person a on a.id = n.account_id
            where n.incident_id = #{id} order by a.name, a.id""")
    List<NamedPerson> named(UUID id);

    @Select("""
            select d.words, a.name as by, d.added_at as at from incident_addition d join person a on a.id = d.added_by
            where d.incident_id = #{id} order by d.nth""")
    List<AdditionLine> additions(UUID id);

    /** @return 0 where there is one of that stop */
    @Insert("""
            insert into incident (id, practical_id, at_ms, student_id, who, what, done, told, revision, written_by, written_at)
            values (#{id}, #{practical}, #{atMs}, #{student}, #{w.who}, #{w.what}, #{w.done}, #{w.told}, 1, #{by}, #{at})
            on conflict do nothing""")
    int add(UUID id, UUID practical, long atMs, UUID student, IncidentWords w, UUID by, Instant at);

    /** @return 0 where it was changed or signed meanwhile */
    @Update("""
            update incident set who = #{w.who}, what = #{w.what}, done = #{w.done}, told = #{w.told}, revision = revision + 1
            where id = #{id} and revision = #{from} and signed_at is null""")
    int change(UUID id, int from, IncidentWords w);

    @Delete("delete from incident_named where incident_id = #{id}")
    void clearNamed(UUID id);

    @Insert("insert into incident_named (incident_id, account_id) values (#{id}, #{account}) on conflict do nothing")
    void name(UUID id, UUID account);

    /** @return 0 where it was changed or signed meanwhile */
    @Update("""
            update incident set signed_by = #{by}, signed_at = #{at}
            where id = #{id} and revision = #{from} and signed_at is null""")
    int sign(UUID id, int from, UUID by, Instant at);

    @Insert("""
            insert into incident_addition (incident_id, nth, words, added_by, added_at)
            values (#{id}, (select count(*) + 1 from incident_addition where incident_id = #{id}), #{words}, #{by}, #{at})""")
    void addTo(UUID id, String words, UUID by, Instant at);

    /** @param own only those the student is named in */
    @Select("""
            select 'incidents' as what, (select jsonb_agg(jsonb_strip_nulls(to_jsonb(x)))::text from (
                select practical_id as practical, at_ms as "atMs", who, what, done, told, written_at as "writtenAt", signed_at as "signedAt",
                       (select jsonb_agg(d.words order by d.nth) from incident_addition d where d.incident_id = i.id) as additions
                from incident i
                where (student_id = #{student} and not #{own})
                   or exists (select 1 from incident_named n where n.incident_id = i.id and n.account_id = #{student})
                order by written_at, id) x) as body""")
    List<Part> told(UUID student, boolean own);

    @Delete("delete from incident where student_id = #{student}")
    int erase(UUID student);

    @Delete("delete from incident_named where account_id = #{account}")
    void unname(UUID account);
}
