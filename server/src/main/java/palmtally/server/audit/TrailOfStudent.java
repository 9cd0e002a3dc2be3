package palmtally.server.audit;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import palmtally.server.people.KeptOfStudent;

/** Who read of a student and when. What was done stays said when the student is erased, not to what end. */
@Component
@Order(6)
class TrailOfStudent implements KeptOfStudent {
    @Mapper
    interface Rows {
        @Select("""
                select 'readBy' as what, (select jsonb_agg(x)::text from (
                    select a.at, b.name as by,
                           case when #{own} then regexp_replace(a.what, ' [0-9a-f-]{36}$', '') else a.what end as what
                    from audit a left join person b on b.id = a.account_id
                    where a.subject = #{id} order by a.id) x) as body""")
        List<Part> told(UUID id, boolean own);

        @Update("update audit set detail = '' where subject = #{id} or account_id = #{id}")
        void quiet(UUID id);
    }

    private final Rows rows;

    TrailOfStudent(Rows rows) {
        this.rows = rows;
    }

    @Override
    public List<Part> told(UUID student, boolean own) {
        return rows.told(student, own);
    }

    @Override
    public void erase(UUID student, Erased erased) {
        rows.quiet(student);
    }
}
