package palmtally.server.people;

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

@Mapper
interface TermRows {
    String COLUMNS = "t.id, t.name, t.cohort, t.starts_on, t.weeks, t.archived_at";

    /** What goes on before what is to come, what is to come before what is in the archive; in each the newest first. */
    String IN_ORDER = " t.archived_at is not null, t.starts_on > #{today}, t.starts_on desc, t.id";

    @Insert("""
            insert into term (id, name, cohort, starts_on, weeks)
            values (#{id}, #{name}, #{cohort}, #{startsOn}, #{weeks})""")
    void add(Term term);

    @Update("""
            update term set name = #{name}, cohort = #{cohort}, starts_on = #{startsOn}, weeks = #{weeks}
            where id = #{id}""")
    int change(UUID id, String name, String cohort, LocalDate startsOn, int weeks);

    @Select("select " + COLUMNS + " from term t order by" + IN_ORDER)
    List<Term> all(LocalDate today);

    /** Those somebody is in, and before them the one whose lab they take today. */
    @Select("select " + COLUMNS + """
             from term t
            left join (select distinct term_id from substitute where account_id = #{account} and on_day = #{today}) s
                on s.term_id = t.id
            where s.term_id is not null
                or exists (select 1 from enrolment e where e.term_id = t.id and e.account_id = #{account})
            order by s.term_id is null,""" + IN_ORDER)
    List<Term> of(UUID account, LocalDate today);

    @Select("select " + COLUMNS + " from term t where t.id = #{id}")
    Optional<Term> byId(UUID id);

    @Select("select archived_at is not null from term where id = #{id}")
    Optional<Boolean> archived(UUID id);

    @Update("""
            update term set archived_at = case when #{archived} then coalesce(archived_at, #{at}) end where id = #{id}""")
    int archive(UUID id, boolean archived, Instant at);

    @Update("update term set closed_at = #{at}, closed_by = #{by} where id = #{id}")
    void close(UUID id, @Nullable Instant at, @Nullable UUID by);

    @Select("select closed_at from term where id = #{id}")
    @Nullable
    Instant closedAt(UUID id);

    @Select("select pg_notify(#{channel}, '')")
    @Nullable
    String tell(String channel);

    @Select("select tracked from term where id = #{id}")
    long tracked(UUID id);

    @Update("update term set tracked = tracked + 1 where id = #{id}")
    void track(UUID id);

    @Insert("""
            insert into enrolment (term_id, account_id, joined_on)
            values (#{term}, #{account}, #{joinedOn,jdbcType=DATE}) on conflict do nothing""")
    void enrol(UUID term, UUID account, @Nullable LocalDate joinedOn);

    /** Keeps until when somebody was in a term who is taken out of it. */
    @Insert("""
            insert into left_term (term_id, account_id, joined_on, left_on)
            select term_id, account_id, joined_on, #{on} from enrolment
            where term_id = #{term} and account_id = #{account}
            on conflict (term_id, account_id) do update set left_on = #{on}""")
    void keepLeft(UUID term, UUID account, LocalDate on);

    /** Somebody who comes back was never away: what they missed meanwhile they missed. */
    @Update("""
            update enrolment e set joined_on = l.joined_on from left_term l
            where e.term_id = #{term} and e.account_id = #{account}
                and l.term_id = e.term_id and l.account_id = e.account_id""")
    void comeBack(UUID term, UUID account);

    @Delete("delete from left_term where term_id = #{term} and account_id = #{account}")
    void forgetLeft(UUID term, UUID account);

    @Select("""
            select a.id, a.name, e.joined_on, null::date as left_on from enrolment e
            join account a on a.id = e.account_id
            where e.term_id = #{term} and a.role = 'student'
            union all
            select a.id, a.name, l.joined_on, l.left_on from left_term l
            join account a on a.id = l.account_id
            where l.term_id = #{term} and a.role = 'student' and a.erased_at is null
            order by name, id""")
    List<Attendee> attendees(UUID term);

    @Delete("delete from enrolment where term_id = #{term} and account_id = #{account}")
    int leave(UUID term, UUID account);

    @Select("select exists (select 1 from enrolment where term_id = #{term} and account_id = #{account})")
    boolean has(UUID term, UUID account);

    @Select("""
            select exists (select 1 from substitute
            where term_id = #{term} and account_id = #{account} and on_day = #{today})""")
    boolean substituted(UUID term, UUID account, LocalDate today);

    @Select("""
            select exists (select 1 from enrolment e join term t on t.id = e.term_id
            where e.account_id = #{account} and t.archived_at is null)""")
    boolean inOpen(UUID account);

    @Select("""
            select exists (select 1 from enrolment a join enrolment b on a.term_id = b.term_id
            where a.account_id = #{one} and b.account_id = #{other})
            or exists (select 1 from substitute s join enrolment e on e.term_id = s.term_id
            where s.account_id = #{one} and s.on_day = #{today} and e.account_id = #{other})""")
    boolean taught(UUID one, UUID other, LocalDate today);
}
