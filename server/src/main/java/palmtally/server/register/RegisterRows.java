package palmtally.server.register;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;
import palmtally.core.calendar.HourKind;
import palmtally.core.register.Presence;

/** Labs as they were held, marks as they were made, hours as they were entered. */
@Mapper
interface RegisterRows {
    record Held(int week, int lab, double minutes, String parts) {}

    /** @param kind null where a mark was taken back */
    record Mark(
            int week,
            int lab,
            UUID studentId,
            Presence.@Nullable Kind kind,
            double lateMinutes,
            @Nullable Double leftMinutes,
            String markedBy) {}

    record Entry(
            UUID id,
            UUID studentId,
            HourKind kind,
            double minutes,
            LocalDate onDay,
            @Nullable Integer week,
            @Nullable Integer lab,
            String note) {}

    @Select("""
            select week, lab, minutes, parts::text as parts from register_lab where term_id = #{term} order by week, lab""")
    List<Held> held(UUID term);

    @Insert("""
            insert into register_lab (term_id, week, lab, minutes, parts, changed_by, changed_at)
            values (#{term}, #{week}, #{lab}, #{minutes}, #{parts}::jsonb, #{by}, #{at})
            on conflict (term_id, week, lab) do nothing""")
    void open(UUID term, int week, int lab, double minutes, String parts, UUID by, Instant at);

    @Update("""
            update register_lab set minutes = #{minutes}, parts = #{parts}::jsonb, changed_by = #{by}, changed_at = #{at}
            where term_id = #{term} and week = #{week} and lab = #{lab}""")
    void change(UUID term, int week, int lab, double minutes, String parts, UUID by, Instant at);

    @Insert("""
            insert into register_mark
                (term_id, id, week, lab, student_id, kind, late_minutes, left_minutes, marked_by, marked_at)
            values (#{term}, #{id}, #{week}, #{lab}, #{student}, #{kind,jdbcType=VARCHAR}, #{late},
                #{left,jdbcType=DOUBLE}, #{by}, #{at})
            on conflict do nothing""")
    void mark(
            UUID term,
            String id,
            int week,
            int lab,
            UUID student,
            Presence.@Nullable Kind kind,
            double late,
            @Nullable Double left,
            UUID by,
            Instant at);

    /** The newest mark of each student in each lab. */
    @Select("""
            select distinct on (m.week, m.lab, m.student_id) m.week, m.lab, m.student_id, m.kind, m.late_minutes,
                m.left_minutes, p.name as marked_by
            from register_mark m join person p on p.id = m.marked_by
            where m.term_id = #{term}
            order by m.week, m.lab, m.student_id, m.seq desc""")
    List<Mark> marks(UUID term);

    @Select("""
            select id, student_id, kind, minutes, on_day, week, lab, note from entered_hours
            where term_id = #{term} and withdrawn_at is null order by on_day, entered_at, id""")
    List<Entry> entries(UUID term);

    @Insert("""
            insert into entered_hours
                (id, term_id, student_id, kind, minutes, on_day, week, lab, note, entered_by, entered_at)
            values (#{e.id}, #{term}, #{e.studentId}, #{e.kind}, #{e.minutes}, #{e.onDay},
                #{e.week,jdbcType=INTEGER}, #{e.lab,jdbcType=INTEGER}, #{e.note}, #{by}, #{at})
            on conflict do nothing""")
    void enter(UUID term, Entry e, UUID by, Instant at);

    @Update("""
            update entered_hours set withdrawn_by = #{by}, withdrawn_at = #{at}
            where id = #{id} and term_id = #{term} and student_id = #{student} and withdrawn_at is null""")
    int withdraw(UUID term, UUID student, UUID id, UUID by, Instant at);
}
