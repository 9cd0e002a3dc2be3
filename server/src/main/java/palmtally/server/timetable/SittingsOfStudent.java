package palmtally.server.timetable;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import palmtally.server.people.KeptOfStudent;

/** When a student shows something in a day of practicals, and when they are client. */
@Component
@Order(4)
class SittingsOfStudent implements KeptOfStudent {
    @Mapper
    interface Rows {
        @Select("""
                select 'sittings' as what, (select jsonb_agg(x)::text from (
                    select d.held_on as "on", s.begins, s.minutes, s.table_number as "table", s.sequence,
                        s.student_id = #{id} as "shows"
                    from sitting s join practical_day d on d.id = s.day_id
                    where #{id} in (s.student_id, s.client_id) and d.shown and d.withdrawn_at is null
                    order by d.held_on, s.begins, s.id) x) as body""")
        List<Part> told(UUID id);

        @Delete("delete from sitting where student_id = #{id}")
        int shows(UUID id);

        @Update("update sitting set client_id = null where client_id = #{id}")
        void client(UUID id);

        @Delete("delete from day_away where account_id = #{id}")
        void away(UUID id);
    }

    private final Rows rows;

    SittingsOfStudent(Rows rows) {
        this.rows = rows;
    }

    @Override
    public List<Part> told(UUID student, boolean own) {
        return rows.told(student);
    }

    @Override
    public void erase(UUID student, Erased erased) {
        erased.add("sittings", rows.shows(student));
        rows.client(student);
        rows.away(student);
    }
}
