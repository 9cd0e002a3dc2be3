package palmtally.server.competency;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import palmtally.server.people.KeptOfStudent;

/** The levels a student brought along from the term before. */
@Component
@Order(5)
class LevelsOfStudent implements KeptOfStudent {
    @Mapper
    interface Rows {
        @Select("""
                select 'carriedOver' as what, (select jsonb_agg(x)::text from (
                    select region, criterion, mean, variance, days, critical from carried
                    where student_id = #{id} order by region, criterion) x) as body""")
        List<Part> told(UUID id);

        @Delete("delete from carried where student_id = #{id}")
        int carried(UUID id);
    }

    private final Rows rows;

    LevelsOfStudent(Rows rows) {
        this.rows = rows;
    }

    @Override
    public List<Part> told(UUID student, boolean own) {
        return rows.told(student);
    }

    @Override
    public void erase(UUID student, Erased erased) {
        erased.add("carriedOver", rows.carried(student));
    }
}
