package palmtally.server.earlier;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import palmtally.server.people.KeptOfStudent;

/** Marks of before that came over of a student. */
@Component
@Order(6)
class EarlierMarksOfStudent implements KeptOfStudent {
    @Mapper
    interface Rows {
        @Select("""
                select 'earlierMarks' as what, (select jsonb_agg(x)::text from (
                    select i.title, m.name, m.day, m.region, m.criterion, m.what, m.grader, m.given, m.points
                    from earlier_mark m join marks_import i on i.id = m.import_id
                    where m.student_id = #{id} order by m.day, m.import_id, m.line, m.cell) x) as body""")
        List<Part> told(UUID id);

        /** Names in how a file is read are the student's too. */
        @Update("""
                update marks_import set mapping = jsonb_set(mapping, '{names}', (
                    select coalesce(jsonb_object_agg(n.key, n.value), '{}'::jsonb) from jsonb_each_text(mapping -> 'names') n
                    where n.value <> #{id}::text))
                where exists (select 1 from jsonb_each_text(mapping -> 'names') n where n.value = #{id}::text)""")
        void unsay(UUID id);

        @Delete("delete from earlier_mark where student_id = #{id}")
        int erase(UUID id);
    }

    private final Rows rows;

    EarlierMarksOfStudent(Rows rows) {
        this.rows = rows;
    }

    @Override
    public List<Part> told(UUID student, boolean own) {
        return rows.told(student);
    }

    @Override
    public void erase(UUID student, Erased erased) {
        rows.unsay(student);
        erased.add("earlierMarks", rows.erase(student));
    }
}
