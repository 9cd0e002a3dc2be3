package palmtally.server.secondlook;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;
import palmtally.core.finding.Criterion;
import palmtally.server.people.KeptOfStudent.Part;

/** Second looks, and for how many days they may be asked for. */
@Mapper
interface SecondLookMapper {
    /** @param marks and decidedMarks as JSON objects of criterion and points */
    record Look(
            UUID id,
            UUID practicalId,
            UUID studentId,
            String student,
            String sequence,
            Instant startedAt,
            UUID graderId,
            String grader,
            int revision,
            String marks,
            @Nullable Criterion criterion,
            String reason,
            Instant askedAt,
            @Nullable Instant withdrawnAt,
            @Nullable UUID decidedById,
            @Nullable String decidedBy,
            @Nullable Instant decidedAt,
            @Nullable String decision,
            @Nullable Integer decidedRevision,
            @Nullable String decidedMarks) {
        boolean open() {
            return withdrawnAt == null && decidedAt == null;
        }

        /** Whether it was decided and that award still stands. */
        boolean settles(int standing) {
            return decidedRevision != null && standing <= decidedRevision;
        }
    }

    String LOOKS = """
            select l.id, l.practical_id, l.student_id, s.name as student, v.name as sequence, p.started_at, p.grader_id,
                   g.name as grader, l.revision, l.marks::text as marks, l.criterion, l.reason, l.asked_at, l.withdrawn_at,
                   l.decided_by as decided_by_id, d.name as decided_by, l.decided_at, l.decision, l.decided_revision,
                   l.decided_marks::text as decided_marks
            from second_look l
            join practical_run p on p.id = l.practical_id
            join person s on s.id = l.student_id
            join person g on g.id = p.grader_id
            join document_version v on v.id = p.sequence_version_id
            left join person d on d.id = l.decided_by
            """;

    /** The newest first. */
    @Select(LOOKS + "where l.practical_id = #{practical} order by l.asked_at desc, l.id")
    List<Look> ofPractical(UUID practical);

    /** Those that wait first, the longest waiting before all; then the others, the newest first. */
    @Select(LOOKS + """
                    order by (l.withdrawn_at is null and l.decided_at is null) desc,
                             case when l.withdrawn_at is null and l.decided_at is null then l.asked_at end,
                             l.asked_at desc, l.id
                    limit #{most}""")
    List<Look> all(int most);

    @Select(LOOKS + "where l.id = #{id}")
    Optional<Look> byId(UUID id);

    @Select("select count(*) from second_look where withdrawn_at is null and decided_at is null")
    int waiting();

    /** @return 0 where one waits already */
    @Insert("""
            insert into second_look (id, practical_id, student_id, revision, marks, criterion, reason, asked_at)
            values (#{id}, #{practical}, #{student}, #{revision}, #{marks}::jsonb, #{criterion}, #{reason}, #{at})
            on conflict do nothing""")
    int ask(
            UUID id,
            UUID practical,
            UUID student,
            int revision,
            String marks,
            @Nullable Criterion criterion,
            String reason,
            Instant at);

    /** @return 0 where it does not wait any more */
    @Update("""
            update second_look set withdrawn_at = #{at}
            where id = #{id} and withdrawn_at is null and decided_at is null""")
    int withdraw(UUID id, Instant at);

    /** @return 0 where it does not wait any more */
    @Update("""
            update second_look set decided_by = #{by}, decided_at = #{at}, decision = #{decision}, decided_revision = #{revision},
                                   decided_marks = #{marks}::jsonb
            where id = #{id} and withdrawn_at is null and decided_at is null""")
    int decide(UUID id, UUID by, Instant at, String decision, int revision, String marks);

    @Select("select days from second_look_days")
    int days();

    @Update("update second_look_days set days = #{days}, set_by = #{by}, set_at = #{at}")
    void setDays(int days, UUID by, Instant at);

    @Select("""
            select 'secondLooks' as what, (select jsonb_agg(jsonb_strip_nulls(to_jsonb(x)))::text from (
                select practical_id as practical, criterion, marks, reason, asked_at as "askedAt", withdrawn_at as "withdrawnAt",
                       decided_at as "decidedAt", decision, decided_marks as "decidedMarks"
                from second_look where student_id = #{id} order by asked_at, id) x) as body""")
    List<Part> told(UUID id);

    @Delete("delete from second_look where student_id = #{id}")
    int erase(UUID id);
}
