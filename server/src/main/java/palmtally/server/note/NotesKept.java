package palmtally.server.note;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Component;
import palmtally.server.people.RetainedRows;

/** What bodies had to be spared, from the day since which it does not hold any more. */
@Component
class NotesKept extends RetainedRows {
    @Mapper
    interface Rows {
        @Select("""
                select id, name, since from (
                    select n.id::text as id, 'Note on ' || s.name as name,
                           least((n.withdrawn_at at time zone #{zone})::date, n.until) as since
                    from client_note n join person s on s.id = n.account_id) x
                where since <= #{day} order by since, id limit #{most}""")
        List<Item> countingFrom(LocalDate day, String zone, int most);

        @Delete("delete from client_note where id = #{id}")
        void remove(UUID id);
    }

    NotesKept(Rows rows, Clock clock) {
        super(
                "body-notes",
                "Notes on what a body must be spared, from the day since which they do not hold",
                rows::countingFrom,
                id -> rows.remove(UUID.fromString(id)),
                clock);
    }
}
