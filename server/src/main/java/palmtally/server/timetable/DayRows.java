package palmtally.server.timetable;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;
import palmtally.core.timetable.Placed;

/** Days of practicals as they are stored. */
@Mapper
interface DayRows {
    String DAY =
            "id, term_id, held_on, from_minute, until_minute, minutes, change_over, breaks::text as breaks, tables,"
                    + " tables_a_grader, shown, search, search_beat, stop_asked";

    record Day(
            UUID id,
            UUID termId,
            LocalDate heldOn,
            int fromMinute,
            int untilMinute,
            int minutes,
            int changeOver,
            String breaks,
            int tables,
            int tablesAGrader,
            boolean shown,
            @Nullable UUID search,
            @Nullable Instant searchBeat,
            boolean stopAsked) {}

    record Away(UUID accountId, int fromMinute, int untilMinute) {}

    record SittingRow(
            UUID id,
            UUID dayId,
            int number,
            UUID studentId,
            String sequence,
            int minutes,
            boolean twice,
            @Nullable UUID retakeOf,
            boolean locked,
            @Nullable Integer begins,
            @Nullable Integer tableNumber,
            @Nullable UUID graderId,
            @Nullable UUID secondId,
            @Nullable UUID clientId,
            @Nullable UUID practicalId) {
        /** The same that has not begun, at another place or at none yet. */
        SittingRow at(@Nullable Placed at, int newMinutes, boolean newTwice, boolean newLocked) {
            var graders = at == null ? List.<String>of() : at.graders();
            return new SittingRow(
                    id,
                    dayId,
                    number,
                    studentId,
                    sequence,
                    newMinutes,
                    newTwice,
                    retakeOf,
                    newLocked,
                    at == null ? null : at.begins(),
                    at == null ? null : at.table(),
                    graders.isEmpty() ? null : UUID.fromString(graders.get(0)),
                    graders.size() < 2 ? null : UUID.fromString(graders.get(1)),
                    at == null || at.client() == null ? null : UUID.fromString(at.client()),
                    null);
        }

        /** The same at another place or at none yet, found and so not locked. */
        SittingRow found(@Nullable Placed at) {
            return at(at, minutes, twice, false);
        }
    }

    record DayCount(UUID id, LocalDate heldOn, int fromMinute, int untilMinute, int sittings, int placed, int begun) {}

    /** A practical somebody has to do with. */
    record Mine(
            UUID id,
            UUID dayId,
            UUID termId,
            LocalDate heldOn,
            int begins,
            int minutes,
            int tableNumber,
            String sequence,
            UUID studentId,
            String student,
            @Nullable UUID clientId,
            @Nullable String client,
            @Nullable UUID graderId,
            @Nullable String grader,
            @Nullable UUID secondId,
            @Nullable UUID practicalId) {}

    record LastClient(UUID studentId, UUID partnerId) {}

    record Begun(UUID id, boolean finished) {}

    @Select("""
            select d.id, d.held_on, d.from_minute, d.until_minute, count(s.id) as sittings, count(s.begins) as placed,
                count(s.practical_id) as begun
            from practical_day d left join sitting s on s.day_id = d.id
            where d.term_id = #{term} and d.withdrawn_at is null group by d.id order by d.held_on, d.from_minute, d.id""")
    List<DayCount> days(UUID term);

    @Select("select " + DAY + " from practical_day where id = #{id} and term_id = #{term} and withdrawn_at is null")
    Optional<Day> day(UUID term, UUID id);

    /** The same, kept from changes by others until the transaction ends. */
    @Select("select " + DAY
            + " from practical_day where id = #{id} and term_id = #{term} and withdrawn_at is null for update")
    Optional<Day> lock(UUID term, UUID id);

    @Insert("""
            insert into practical_day (id, term_id, held_on, from_minute, until_minute, minutes, change_over, breaks, tables,
                tables_a_grader, made_by, made_at, shown, stop_asked)
            values (#{d.id}, #{d.termId}, #{d.heldOn}, #{d.fromMinute}, #{d.untilMinute}, #{d.minutes}, #{d.changeOver},
                #{d.breaks}::jsonb, #{d.tables}, #{d.tablesAGrader}, #{by}, #{at}, false, false)""")
    void add(Day d, UUID by, Instant at);

    @Update("""
            update practical_day set held_on = #{heldOn}, from_minute = #{fromMinute}, until_minute = #{untilMinute},
                minutes = #{minutes}, change_over = #{changeOver}, breaks = #{breaks}::jsonb, tables = #{tables},
                tables_a_grader = #{tablesAGrader} where id = #{id}""")
    void change(Day d);

    @Update(
            "update practical_day set withdrawn_at = #{at,jdbcType=TIMESTAMP_WITH_TIMEZONE} where id = #{id} and term_id = #{term}")
    int withdraw(UUID term, UUID id, @Nullable Instant at);

    /** A change by hand: a search of before stores nothing any more. */
    @Update("update practical_day set search = null where id = #{id}")
    void touch(UUID id);

    @Update("update practical_day set shown = #{shown} where id = #{id}")
    void show(UUID id, boolean shown);

    @Update("""
            update practical_day set search = #{search}, search_beat = #{at}, stop_asked = false where id = #{id}
                and (search is null or search_beat < #{deadBefore})""")
    int begin(UUID id, UUID search, Instant at, Instant deadBefore);

    @Update("update practical_day set search_beat = #{at} where id = #{id} and search = #{search} and not stop_asked")
    int beat(UUID id, UUID search, Instant at);

    @Update("update practical_day set search = null where id = #{id} and search = #{search}")
    void end(UUID id, UUID search);

    @Update("update practical_day set stop_asked = true where id = #{id} and search is not null")
    void askToStop(UUID id);

    @Select("select account_id from day_grader where day_id = #{day}")
    List<UUID> graders(UUID day);

    @Delete("delete from day_grader where day_id = #{day}")
    void clearGraders(UUID day);

    @Insert("insert into day_grader (day_id, account_id) values (#{day}, #{account}) on conflict do nothing")
    void addGrader(UUID day, UUID account);

    @Select("""
            select account_id, from_minute, until_minute from day_away where day_id = #{day}
            order by from_minute, account_id""")
    List<Away> away(UUID day);

    @Delete("delete from day_away where day_id = #{day}")
    void clearAway(UUID day);

    @Insert("""
            insert into day_away (day_id, account_id, from_minute, until_minute)
            values (#{day}, #{a.accountId}, #{a.fromMinute}, #{a.untilMinute}) on conflict do nothing""")
    void addAway(UUID day, Away a);

    @Select("select * from sitting where day_id = #{day} order by number, id")
    List<SittingRow> sittings(UUID day);

    @Insert("""
            insert into sitting (id, day_id, number, student_id, sequence, minutes, twice, retake_of, locked)
            values (#{id}, #{dayId}, #{number}, #{studentId}, #{sequence}, #{minutes}, #{twice}, #{retakeOf}, false)""")
    void addSitting(SittingRow s);

    @Delete("delete from sitting where id = #{id} and day_id = #{day} and practical_id is null")
    int removeSitting(UUID day, UUID id);

    @Update("""
            update sitting set minutes = #{minutes}, twice = #{twice}, locked = #{locked}, begins = #{begins},
                table_number = #{tableNumber}, grader_id = #{graderId}, second_id = #{secondId}, client_id = #{clientId}
            where id = #{id}""")
    void place(SittingRow s);

    @Update("update sitting set practical_id = #{practical}, locked = true where id = #{id} and practical_id is null")
    int started(UUID id, UUID practical);

    @Select("""
            select distinct on (student_id) student_id, partner_id from counted_practical
            where term_id = #{term} and kind = 'practical' and partner_id is not null
            order by student_id, started_at desc""")
    List<LastClient> lastClients(UUID term);

    /** Practicals whose re-take waits in a day from one on. */
    @Select("""
            select s.retake_of from sitting s join practical_day d on d.id = s.day_id
            where d.term_id = #{term} and d.withdrawn_at is null and d.held_on >= #{today}
                and s.retake_of is not null and s.practical_id is null""")
    List<UUID> retakesPlanned(UUID term, LocalDate today);

    @Select("""
            select exists (select 1 from counted_practical where id = #{practical} and term_id = #{term}
                and student_id = #{student})""")
    boolean isOf(UUID practical, UUID term, UUID student);

    @Select("""
            select p.id, p.finished from counted_practical p join sitting s on s.practical_id = p.id
            where s.day_id = #{day}""")
    List<Begun> begun(UUID day);

    @Select("""
            select s.id, s.day_id, d.term_id, d.held_on, s.begins, s.minutes, s.table_number, s.sequence, s.student_id,
                w.name as student, s.client_id, c.name as client, s.grader_id, g.name as grader, s.second_id, s.practical_id
            from sitting s join practical_day d on d.id = s.day_id join person w on w.id = s.student_id
            left join person c on c.id = s.client_id left join person g on g.id = s.grader_id
            where d.withdrawn_at is null and d.shown and d.held_on >= #{since} and s.begins is not null
                and #{who} in (s.student_id, s.client_id, s.grader_id, s.second_id)
            order by d.held_on, s.begins, s.table_number""")
    List<Mine> mine(UUID who, LocalDate since);
}
