package palmtally.server.practical;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import palmtally.server.people.KeptOfStudent;

/** A student's practicals with all that was seen and said in them, the looks at them, and where they lay on the table or watched. */
@Component
@Order(3)
class PracticalsOfStudent implements KeptOfStudent {
    @Mapper
    interface Rows {
        @Select("""
                select 'practicals' as what, (select jsonb_agg(jsonb_strip_nulls(to_jsonb(x)))::text from (
                    select p.id, p.kind, v.name as sequence, p.started_at as "startedAt", p.finished, p.void_reason as "voidReason",
                           g.name as grader, b.name as "onTheTable", s.released,
                           case when s.open then (select value from rating where practical_id = p.id) end as rating,
                           case when s.open then (select jsonb_agg(e order by e.at_ms, e.seq) from (
                               select id, at_ms, seq, kind, data from event where practical_id = p.id) e) end as events,
                           case when s.open then
                               (select jsonb_agg(a.body || jsonb_build_object('result', a.result, 'mean', a.mean) order by a.revision)
                                from award a where a.practical_id = p.id and (a.released or not #{own})) end as awards,
                           (select body from self_mark where practical_id = p.id) as "selfMarks"
                    from practical p join document_version v on v.id = p.sequence_version_id
                    join person g on g.id = p.grader_id left join person b on b.id = p.partner_id
                    cross join lateral (select r as released, (r and p.void_reason is null) or not #{own} as open from (
                        select exists (select 1 from newest_award a where a.practical_id = p.id and a.released) as r) n) s
                    where p.student_id = #{id} and (p.beside is null or not #{own}) order by p.started_at, p.id) x) as body
                union all select 'onTheTable', (select jsonb_agg(x)::text from (
                    select p.id, v.name as sequence, p.started_at as "startedAt", p.today from practical p
                    join document_version v on v.id = p.sequence_version_id
                    where p.partner_id = #{id} order by p.started_at, p.id) x)
                union all select 'evidence', (select jsonb_agg(x)::text from (
                    select practical_id as practical, region, criterion, score, weight, critical, seen_at as "seenAt" from evidence
                    where student_id = #{id} and (released or not #{own}) order by seen_at, region, criterion) x)
                union all select 'watched', (select jsonb_agg(x)::text from (
                    select id, started_at as "startedAt" from practical where grader_id = #{id} order by started_at, id) x)""")
        List<Part> told(UUID id, boolean own);

        /** Practicals of the student, and looks at them by others or second graders; the student's own looks at others are theirs. */
        String THEIRS = """
                (select id from practical where student_id = #{id}
                 union select w.id from practical w join practical p on p.id = w.watches or p.id = w.beside
                 where p.student_id = #{id})""";

        @Update("update practical set retake_of = null where retake_of in " + THEIRS)
        void unlink(UUID id);

        @Select(THEIRS)
        List<UUID> theirs(UUID id);

        @Update("update practical set beside = null, watches = null where id = any(#{practicals}::uuid[])")
        void loosen(String practicals);

        @Delete("delete from event where practical_id = any(#{practicals}::uuid[])")
        int events(String practicals);

        @Delete("delete from award where practical_id = any(#{practicals}::uuid[])")
        int awards(String practicals);

        @Delete("delete from rating where practical_id = any(#{practicals}::uuid[])")
        int ratings(String practicals);

        @Delete("delete from evidence where practical_id = any(#{practicals}::uuid[])")
        int evidence(String practicals);

        @Delete("delete from roll_up where practical_id = any(#{practicals}::uuid[])")
        int rollUps(String practicals);

        @Delete("delete from step_look where practical_id = any(#{practicals}::uuid[])")
        int looks(String practicals);

        @Delete("delete from self_mark where practical_id = any(#{practicals}::uuid[])")
        int selfMarks(String practicals);

        @Delete("delete from handset where practical_id = any(#{practicals}::uuid[])")
        void handsets(String practicals);

        @Delete("delete from practical where id = any(#{practicals}::uuid[])")
        int practicals(String practicals);

        @Update("update practical set partner_id = null, today = null where partner_id = #{id}")
        int onTheTable(UUID id);

        @Update("update event set account_id = null where account_id = #{id}")
        void seenByThem(UUID id);
    }

    private final Rows rows;

    PracticalsOfStudent(Rows rows) {
        this.rows = rows;
    }

    @Override
    public List<Part> told(UUID student, boolean own) {
        return rows.told(student, own);
    }

    @Override
    public void erase(UUID student, Erased erased) {
        rows.unlink(student);
        // Asked once: as soon as the looks are loosened nothing says any more whose they are.
        var theirs = rows.theirs(student).toString().replace('[', '{').replace(']', '}');
        rows.loosen(theirs);
        erased.add("events", rows.events(theirs));
        erased.add("awards", rows.awards(theirs) + rows.ratings(theirs));
        erased.add("evidence", rows.evidence(theirs) + rows.rollUps(theirs) + rows.looks(theirs));
        erased.add("selfMarks", rows.selfMarks(theirs));
        rows.handsets(theirs);
        erased.add("practicals", rows.practicals(theirs));
        erased.add("onTheTable", rows.onTheTable(student));
        rows.seenByThem(student);
    }
}
