package palmtally.server.pairing;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Seats as they were planned and as they were. */
@Mapper
interface PairingRows {
    record Plan(UUID id, int tables, int atTable) {}

    record Seat(int week, int lab, int tableNumber, int place, UUID accountId) {}

    /** @param day of the lab or round, as a name that is the same for all of one table of one day */
    record Together(String tableName, UUID accountId) {}

    @Select("""
            select id, tables, at_table from partner_plan where term_id = #{term} and withdrawn_at is null
            order by made_at desc, id limit 1""")
    Optional<Plan> plan(UUID term);

    @Insert("""
            insert into partner_plan (id, term_id, tables, at_table, made_by, made_at)
            values (#{id}, #{term}, #{tables}, #{atTable}, #{by}, #{at})""")
    void add(UUID id, UUID term, int tables, int atTable, UUID by, Instant at);

    @Update("""
            update partner_plan set withdrawn_at = #{at}
            where id = #{id} and term_id = #{term} and withdrawn_at is null""")
    int withdraw(UUID term, UUID id, Instant at);

    @Insert("""
            insert into planned_seat (plan_id, week, lab, table_number, place, account_id)
            values (#{plan}, #{s.week}, #{s.lab}, #{s.tableNumber}, #{s.place}, #{s.accountId})""")
    void seat(UUID plan, Seat s);

    @Select("""
            select week, lab, table_number, place, account_id from planned_seat where plan_id = #{plan}
            order by week, lab, table_number, place""")
    List<Seat> planned(UUID plan);

    @Select("""
            select week, lab, table_number, place, account_id from lab_seat where term_id = #{term}
            order by week, lab, table_number, place""")
    List<Seat> sat(UUID term);

    @Delete("delete from lab_seat where term_id = #{term} and week = #{week} and lab = #{lab}")
    void clear(UUID term, int week, int lab);

    @Insert("""
            insert into lab_seat (term_id, week, lab, table_number, place, account_id, set_by, set_at)
            values (#{term}, #{s.week}, #{s.lab}, #{s.tableNumber}, #{s.place}, #{s.accountId}, #{by}, #{at})""")
    void sit(UUID term, Seat s, UUID by, Instant at);

    @Select("""
            select round_id || '/' || table_number as table_name, account_id from round_table where term_id = #{term}
            order by opened_at, round_id, table_number, place""")
    List<Together> rounds(UUID term);

    @Select("""
            select id::text as table_name, student_id as account_id from counted_practical
            where term_id = #{term} and partner_id is not null and kind = 'practical'
            union all
            select id::text, partner_id from counted_practical
            where term_id = #{term} and partner_id is not null and kind = 'practical'
            order by table_name""")
    List<Together> practicals(UUID term);
}
