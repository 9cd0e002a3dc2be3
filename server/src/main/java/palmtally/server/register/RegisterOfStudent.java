package palmtally.server.register;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import palmtally.server.people.KeptOfStudent;

/** In which labs a student was, and what hours were entered for them. */
@Component
@Order(4)
class RegisterOfStudent implements KeptOfStudent {
    @Mapper
    interface Rows {
        @Select("""
                select 'attendance' as what, (select jsonb_agg(x)::text from (
                    select week, lab, kind, late_minutes as "lateMinutes", left_minutes as "leftMinutes",
                        marked_at as "markedAt"
                    from register_mark where student_id = #{id} order by term_id, seq) x) as body
                union all
                select 'hours', (select jsonb_agg(x)::text from (
                    select kind, minutes, on_day as "on", week, lab, note, entered_at as "enteredAt",
                        withdrawn_at as "withdrawnAt"
                    from entered_hours where student_id = #{id} order by entered_at, id) x)""")
        List<Part> told(UUID id);

        @Delete("delete from register_mark where student_id = #{id}")
        int marks(UUID id);

        @Delete("delete from entered_hours where student_id = #{id}")
        int hours(UUID id);
    }

    private final Rows rows;

    RegisterOfStudent(Rows rows) {
        this.rows = rows;
    }

    @Override
    public List<Part> told(UUID student, boolean own) {
        return rows.told(student);
    }

    @Override
    public void erase(UUID student, Erased erased) {
        erased.add("attendance", rows.marks(student));
        erased.add("hours", rows.hours(student));
    }
}
