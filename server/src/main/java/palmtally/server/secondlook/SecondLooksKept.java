package palmtally.server.secondlook;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Component;
import palmtally.server.people.RetainedRows;

/** Second looks, from the day they were decided or taken back; one that waits does not go. */
@Component
class SecondLooksKept extends RetainedRows {
    @Mapper
    interface Rows {
        @Select("""
                select id, name, since from (
                    select l.id::text as id, 'Second look for ' || s.name as name,
                           (coalesce(l.decided_at, l.withdrawn_at) at time zone #{zone})::date as since
                    from second_look l join person s on s.id = l.student_id) x
                where since <= #{day} order by since, id limit #{most}""")
        List<Item> countingFrom(LocalDate day, String zone, int most);

        @Delete("delete from second_look where id = #{id}")
        void remove(UUID id);
    }

    SecondLooksKept(Rows rows, Clock clock) {
        super(
                "second-looks",
                "Second looks at marks, from the day they were decided or taken back",
                rows::countingFrom,
                id -> rows.remove(UUID.fromString(id)),
                clock);
    }
}
