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
interface AccountRows {
    String COLUMNS = "a.id, a.name, a.sign_in, a.password, a.role, a.disabled_at, a.expires_on, a.erased_at";

    @Select("select not exists (select 1 from account)")
    boolean none();

    /** @param key by {@link SignInName} */
    @Select("select " + COLUMNS + " from account a where a.sign_in_key = #{key}")
    Optional<Account> bySignIn(String key);

    @Select("select " + COLUMNS + " from account a where a.id = #{id}")
    Optional<Account> byId(UUID id);

    @Select("select " + COLUMNS + " from account a where a.erased_at is null order by a.id")
    List<Account> all();

    @Select("select " + COLUMNS + """
             from account a join enrolment e on e.account_id = a.id
            where e.term_id = #{term} order by a.name, a.id""")
    List<Account> inTerm(UUID term);

    @Select("select " + COLUMNS + """
             from account a where role = 'student' and erased_at is null and not exists (
                select 1 from enrolment e join term t on t.id = e.term_id where e.account_id = a.id and t.archived_at is null)
            order by name, id""")
    List<Account> gone();

    /** Of those who are gone, by the end of their last term or the day on which they left it; the earliest first. */
    @Select("""
            select id, name, since from (
                select a.id, a.name, greatest(
                    coalesce((select max(t.starts_on + 7 * t.weeks) from enrolment e join term t on t.id = e.term_id
                              where e.account_id = a.id), '-infinity'),
                    coalesce((select max(l.left_on) from left_term l where l.account_id = a.id), '-infinity'),
                    (a.created_at at time zone #{zone})::date) as since
                from account a where a.role = 'student' and a.erased_at is null and not exists (
                    select 1 from enrolment e join term t on t.id = e.term_id where e.account_id = a.id and t.archived_at is null)) g
            where since <= #{day} order by since, id limit #{most}""")
    List<Accounts.GoneSince> goneSince(LocalDate day, String zone, int most);

    @Insert("""
            insert into account (id, name, sign_in, sign_in_key, password, role, created_at)
            values (#{account.id}, #{account.name}, #{account.signIn}, #{key}, #{account.password}, #{account.role}, #{at})""")
    void add(Account account, String key, Instant at);

    @Update("update account set password = #{password} where id = #{id}")
    void setPassword(UUID id, String password);

    @Update("update account set disabled_at = #{at} where id = #{id}")
    void disable(UUID id, @Nullable Instant at);

    @Update("update account set expires_on = #{day} where id = #{id}")
    void expire(UUID id, @Nullable LocalDate day);

    @Delete("delete from spring_session where principal_name = #{account}")
    void endSessions(String account);

    @Delete("delete from spring_session where principal_name = #{account} and session_id <> #{kept}")
    int endOtherSessions(String account, String kept);

    /** Ends the sessions of those who are shut out. */
    @Delete("""
            delete from spring_session where principal_name in (
                select id::text from account where disabled_at is not null or expires_on < #{today} or erased_at is not null)""")
    int endSessionsOfThoseShutOut(LocalDate today);
}
