package palmtally.server.graderpractice;

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
import palmtally.server.people.KeptOfStudent.Part;

/** Practice runs, how they were marked, and whose duty is open. */
@Mapper
interface PracticeRunMapper {
    /** @param marks the school's own, as a JSON object of criterion and points */
    record RunRow(
            UUID id,
            UUID practicalId,
            String title,
            String words,
            String sequence,
            String marks,
            @Nullable Instant withdrawnAt) {}

    record MarkRow(UUID runId, UUID accountId, String marks, String words, Instant markedAt) {}

    /**
     * @param graded whether they ever graded a practical
     * @param open what the lead decided, or null where nobody did yet
     */
    record GraderRow(
            UUID id,
            String name,
            boolean graded,
            @Nullable Boolean open,
            @Nullable String decidedBy,
            @Nullable Instant decidedAt) {}

    String RUNS = """
            select r.id, r.practical_id, r.title, r.words, v.name as sequence, r.marks::text as marks, r.withdrawn_at
            from practice_run r join practical_run p on p.id = r.practical_id
            join document_version v on v.id = p.sequence_version_id
            """;

    @Select(RUNS + "where r.withdrawn_at is null order by r.chosen_at, r.id")
    List<RunRow> runs();

    @Select(RUNS + "where r.id = #{id}")
    Optional<RunRow> run(UUID id);

    @Select("select exists (select 1 from practice_run where withdrawn_at is null)")
    boolean anyRun();

    @Insert("""
            insert into practice_run (id, practical_id, title, words, marks, chosen_by, chosen_at)
            values (#{id}, #{practical}, #{title}, #{words}, #{marks}::jsonb, #{by}, #{at})""")
    void choose(UUID id, UUID practical, String title, String words, String marks, UUID by, Instant at);

    @Update("update practice_run set withdrawn_at = #{at} where id = #{id} and withdrawn_at is null")
    int withdraw(UUID id, Instant at);

    /** @return 0 where they marked it before */
    @Insert("""
            insert into practice_mark (run_id, account_id, marks, words, marked_at)
            values (#{run}, #{account}, #{marks}::jsonb, #{words}, #{at}) on conflict do nothing""")
    int mark(UUID run, UUID account, String marks, String words, Instant at);

    String MARKS = "select run_id, account_id, marks::text as marks, words, marked_at from practice_mark ";

    @Select(MARKS + "where account_id = #{account}")
    List<MarkRow> marksOf(UUID account);

    @Select(MARKS + "order by marked_at, account_id")
    List<MarkRow> marks();

    /** Those who grade and do nothing else. */
    @Select("""
            select a.id, a.name, exists (select 1 from practical_run p where p.grader_id = a.id) as graded, d.open,
                   b.name as decided_by, d.decided_at
            from person a left join grader_duty d on d.account_id = a.id left join person b on b.id = d.decided_by
            where a.role = 'grader' order by a.name, a.id""")
    List<GraderRow> graders();

    @Select("select exists (select 1 from practical_run where grader_id = #{account})")
    boolean graded(UUID account);

    @Select("select open from grader_duty where account_id = #{account}")
    Optional<Boolean> decided(UUID account);

    @Insert("""
            insert into grader_duty (account_id, open, decided_by, decided_at) values (#{account}, #{open}, #{by}, #{at})
            on conflict (account_id) do update set open = #{open}, decided_by = #{by}, decided_at = #{at}""")
    void decide(UUID account, boolean open, UUID by, Instant at);

    @Select("""
            select 'practiceRuns' as what, (select jsonb_agg(x)::text from (
                select r.practical_id as practical, r.chosen_at as "chosenAt" from practice_run r
                join practical_run p on p.id = r.practical_id
                where p.student_id = #{student} order by r.chosen_at, r.id) x) as body""")
    List<Part> told(UUID student);

    @Delete("""
            delete from practice_run r using practical_run p where p.id = r.practical_id and p.student_id = #{student}""")
    int erase(UUID student);
}
