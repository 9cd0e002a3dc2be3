package palmtally.server.demonstration;

import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import palmtally.server.people.School;

/** Tells how far the school has come, so that its lead hears what comes next. */
@Service
class FirstStepsOfSchool {
    @Mapper
    interface Rows {
        @Select("""
                select document from document_version where kind = 'sequence'
                order by created_at desc, document limit 1""")
        @Nullable
        String lastSequence();

        @Select("select exists (select 1 from demonstration_mark)")
        boolean shown();
    }

    private final School school;
    private final Rows rows;

    FirstStepsOfSchool(School school, Rows rows) {
        this.school = school;
        this.rows = rows;
    }

    FirstSteps done() {
        return new FirstSteps(school.termNamed(), school.hasStudents(), rows.lastSequence(), rows.shown());
    }
}
