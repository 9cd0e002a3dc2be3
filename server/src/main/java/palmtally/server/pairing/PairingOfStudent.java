package palmtally.server.pairing;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import palmtally.server.people.KeptOfStudent;

/** At which tables a student sat in labs, and with whom they asked not to be seated: that is told to themselves alone. */
@Component
@Order(4)
class PairingOfStudent implements KeptOfStudent {
    @Mapper
    interface Rows {
        @Select("""
                select 'labSeats' as what, (select jsonb_agg(x)::text from (
                    select week, lab, table_number as "table" from lab_seat where account_id = #{id}
                    order by term_id, week, lab) x) as body""")
        List<Part> sat(UUID id);

        @Select("""
                select 'keptApart' as what, (select jsonb_agg(x)::text from (
                    select p.name as "from", k.written_at as "writtenAt", k.withdrawn_at as "withdrawnAt" from kept_apart k
                    join person p on p.id = k.other_id where k.written_by = #{id} order by k.written_at) x) as body""")
        List<Part> asked(UUID id);

        @Delete("delete from lab_seat where account_id = #{id}")
        int seats(UUID id);

        @Delete("delete from planned_seat where account_id = #{id}")
        void planned(UUID id);

        @Delete("delete from kept_apart where one_id = #{id} or other_id = #{id} or written_by = #{id}")
        void apart(UUID id);
    }

    private final Rows rows;

    PairingOfStudent(Rows rows) {
        this.rows = rows;
    }

    @Override
    public List<Part> told(UUID student, boolean own) {
        var parts = new java.util.ArrayList<>(rows.sat(student));
        if (own) parts.addAll(rows.asked(student));
        return parts;
    }

    @Override
    public void erase(UUID student, Erased erased) {
        erased.add("labSeats", rows.seats(student));
        rows.planned(student);
        // Not counted: how many there were tells that there were any.
        rows.apart(student);
    }
}
