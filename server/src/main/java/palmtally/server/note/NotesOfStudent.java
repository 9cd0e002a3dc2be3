package palmtally.server.note;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import palmtally.server.people.KeptOfStudent;

/** What a student's body must be spared, and in which regions they agreed to be worked on: that is told to themselves alone. */
@Component
@Order(2)
class NotesOfStudent implements KeptOfStudent {
    @Mapper
    interface Rows {
        @Select("""
                select 'bodyNotes' as what, (select jsonb_agg(x)::text from (
                    select kind, zone, side, until, written_at as "writtenAt", withdrawn_at as "withdrawnAt" from client_note
                    where account_id = #{id} order by written_at, id) x) as body""")
        List<Part> told(UUID id);

        @Select("""
                select 'agreedRegions' as what, (select jsonb_agg(x)::text from (
                    select region, agreed, said_at as "saidAt" from agreed_region
                    where account_id = #{id} order by region) x) as body""")
        List<Part> agreed(UUID id);

        @Delete("delete from agreed_region where account_id = #{id}")
        int agreedGone(UUID id);

        @Delete("delete from client_note where account_id = #{id}")
        int notes(UUID id);

        @Update("update client_note set written_by = account_id where written_by = #{id}")
        void notesOfOthers(UUID id);
    }

    private final Rows rows;

    NotesOfStudent(Rows rows) {
        this.rows = rows;
    }

    @Override
    public List<Part> told(UUID student, boolean own) {
        var parts = new ArrayList<>(rows.told(student));
        if (own) parts.addAll(rows.agreed(student));
        return parts;
    }

    @Override
    public void erase(UUID student, Erased erased) {
        erased.add("bodyNotes", rows.notes(student));
        rows.notesOfOthers(student);
        erased.add("agreedRegions", rows.agreedGone(student));
    }
}
