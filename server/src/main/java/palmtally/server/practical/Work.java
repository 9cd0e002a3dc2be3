package palmtally.server.practical;

import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Service;
import palmtally.core.finding.Criterion;

/** What somebody worked in the practicals of a term, and what they thought of it themselves. */
@Service
public class Work {
    /**
     * @param practicals as the one who works
     * @param hours as the one who works
     * @param hoursOnTable as the one on the table
     * @param bodies on whom
     */
    public record Worked(int practicals, double hours, double hoursOnTable, Set<UUID> bodies) {}

    /** What a student thought of a criterion before the result, beside what it came to. */
    public record SelfMark(UUID practical, Instant at, Criterion criterion, double own, double awarded) {}

    record HoursRow(int practicals, double hours, double hoursOnTable) {}

    @Mapper
    interface Rows {
        @Select("""
                select count(*) filter (where p.student_id = #{student}) as practicals,
                       coalesce(sum(e.ms) filter (where p.student_id = #{student}), 0) / 3600000.0 as hours,
                       coalesce(sum(e.ms) filter (where p.partner_id = #{student}), 0) / 3600000.0 as hours_on_table
                from counted_practical p
                left join lateral (select max(at_ms) as ms from event where practical_id = p.id) e on true
                where p.term_id = #{term} and p.finished and p.kind = 'practical'
                  and (p.student_id = #{student} or p.partner_id = #{student})""")
        HoursRow hours(UUID term, UUID student);

        @Select("""
                select distinct partner_id from counted_practical
                where term_id = #{term} and student_id = #{student} and finished and partner_id is not null""")
        Set<UUID> bodies(UUID term, UUID student);

        @Select("""
                select distinct on (p.started_at, p.id, e.criterion) p.id as practical, p.started_at as at, e.criterion,
                       (m.body ->> e.criterion)::double precision as own, e.score as awarded
                from self_mark m
                join counted_practical p on p.id = m.practical_id
                join document_version v on v.id = p.sequence_version_id
                join evidence e on e.practical_id = p.id
                where p.term_id = #{term} and p.student_id = #{student} and (#{all} or e.released)
                  and jsonb_exists(m.body, e.criterion)
                order by p.started_at, p.id, e.criterion, e.region <> v.region""")
        List<SelfMark> selfMarks(UUID term, UUID student, boolean all);
    }

    private final Rows rows;

    Work(Rows rows) {
        this.rows = rows;
    }

    public Worked of(UUID term, UUID student) {
        var hours = rows.hours(term, student);
        return new Worked(hours.practicals, hours.hours, hours.hoursOnTable, rows.bodies(term, student));
    }

    /** @param all whether what is not released counts too */
    public List<SelfMark> selfMarks(UUID term, UUID student, boolean all) {
        return rows.selfMarks(term, student, all);
    }
}
