package palmtally.server.statement;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import palmtally.server.people.KeptOfStudent;

/** What was stated of a student on paper; the initials under their awards go with the awards. */
@Component
@Order(6)
class StatementsOfStudent implements KeptOfStudent {
    @Mapper
    interface Rows {
        @Select("""
                select 'statements' as what, (select jsonb_agg(x)::text from (
                    select code, issued_at as "issuedAt", facts from statement where student_id = #{id} order by issued_at, id) x) as body""")
        List<Part> told(UUID id);

        @Delete("delete from statement_file where statement_id in (select id from statement where student_id = #{id})")
        void files(UUID id);

        @Delete(
                "delete from statement_signature where statement_id in (select id from statement where student_id = #{id})")
        void signatures(UUID id);

        @Delete("delete from statement where student_id = #{id}")
        int statements(UUID id);
    }

    private final Rows rows;

    StatementsOfStudent(Rows rows) {
        this.rows = rows;
    }

    @Override
    public List<Part> told(UUID student, boolean own) {
        return rows.told(student);
    }

    @Override
    public void erase(UUID student, Erased erased) {
        rows.files(student);
        rows.signatures(student);
        erased.add("statements", rows.statements(student));
    }
}
