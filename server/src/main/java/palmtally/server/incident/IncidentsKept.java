package palmtally.server.incident;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Component;
import palmtally.server.people.RetainedRows;

/** Records of incidents, from the day they were signed; one that is not signed does not go. */
@Component
class IncidentsKept extends RetainedRows {
    @Mapper
    interface Rows {
        @Select("""
                select id, name, since from (
                    select i.id::text as id, 'Incident with ' || s.name as name, (i.signed_at at time zone #{zone})::date as since
                    from incident i join person s on s.id = i.student_id where i.signed_at is not null) x
                where since <= #{day} order by since, id limit #{most}""")
        List<Item> countingFrom(LocalDate day, String zone, int most);

        @Delete("delete from incident where id = #{id}")
        void remove(UUID id);
    }

    IncidentsKept(Rows rows, Clock clock) {
        super(
                "incidents",
                "Records of incidents, from the day they were signed",
                rows::countingFrom,
                id -> rows.remove(UUID.fromString(id)),
                clock);
    }
}
