package palmtally.server.demonstration;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import palmtally.server.people.KeptOfStudent;

/** At which tables a student sat in practice rounds. */
@Component
@Order(4)
class RoundsOfStudent implements KeptOfStudent {
    @Mapper
    interface Rows {
        @Select("""
                select 'rounds' as what, (select jsonb_agg(x)::text from (
                    select r.opened_at as "openedAt", s.table_number as "table" from round_seat s
                    join practice_round r on r.id = s.round_id where s.account_id = #{id} order by r.opened_at) x) as body""")
        List<Part> told(UUID id);

        @Delete("delete from round_seat where account_id = #{id}")
        int seats(UUID id);
    }

    private final Rows rows;

    RoundsOfStudent(Rows rows) {
        this.rows = rows;
    }

    @Override
    public List<Part> told(UUID student, boolean own) {
        return rows.told(student);
    }

    @Override
    public void erase(UUID student, Erased erased) {
        erased.add("rounds", rows.seats(student));
    }
}
