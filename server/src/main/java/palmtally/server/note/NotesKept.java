package palmtally.server.note;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Component;
import palmtally.server.people.Retained;

/** What bodies had to be spared, from the day since which it does not hold any more. */
@Component
class NotesKept implements Retained {
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

    private final Rows rows;
    private final Clock clock;

    NotesKept(Rows rows, Clock clock) {
        this.rows = rows;
        this.clock = clock;
    }

    @Override
    public String kind() {
        return "body-notes";
    }

    @Override
    public String words() {
        return "Notes on what a body must be spared, from the day since which they do not hold";
    }

    @Override
    public List<Item> countingFrom(LocalDate day, int most) {
        return rows.countingFrom(day, clock.getZone().getId(), most);
    }

    @Override
    public void remove(String id) {
        rows.remove(UUID.fromString(id));
    }
}
