package palmtally.server.audit;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Component;
import palmtally.server.people.RetainedRows;

/** The trail, a month at a time, from the last day of the month. */
@Component
class TrailKept extends RetainedRows {
    @Mapper
    interface Rows {
        @Select("""
                select to_char(month, 'YYYY-MM') as id, count(*) || case count(*) when 1 then ' line of ' else ' lines of ' end || to_char(month, 'YYYY-MM') as name,
                       (month + interval '1 month' - interval '1 day')::date as since
                from (select date_trunc('month', at at time zone #{zone}) as month from audit) x
                where (month + interval '1 month' - interval '1 day')::date <= #{day}
                group by month order by month limit #{most}""")
        List<Item> countingFrom(LocalDate day, String zone, int most);

        @Delete("delete from audit where to_char(at at time zone #{zone}, 'YYYY-MM') = #{month}")
        void remove(String month, String zone);
    }

    TrailKept(Rows rows, Clock clock) {
        super(
                "trail",
                "The trail of who did and read what, a month at a time, from its last day",
                rows::countingFrom,
                month -> rows.remove(month, clock.getZone().getId()),
                clock);
    }
}
