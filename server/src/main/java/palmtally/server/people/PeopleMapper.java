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
interface PeopleMapper {
    @Select("select count(*) from account")
    long count();

    @Insert("select pg_advisory_xact_lock(7151)")
    void lockSetup();

    String ACCOUNT = "a.id, a.name, a.sign_in, a.password, a.role, a.disabled_at, a.expires_on";

    /** @param key by {@link SignInName} */
    @Select("select " + ACCOUNT + " from account a where a.sign_in_key = #{key}")
    Optional<Account> bySignIn(String key);

    @Select("select " + ACCOUNT + " from account a where a.id = #{id}")
    Optional<Account> byId(UUID id);

    @Select("select " + ACCOUNT + " from account a where a.erased_at is null order by a.id")
    List<Account> all();

    @Insert("""
            insert into account (id, name, sign_in, sign_in_key, password, role)
            values (#{account.id}, #{account.name}, #{account.signIn}, #{key}, #{account.password}, #{account.role})""")
    void add(Account account, String key);

    @Update("update account set disabled_at = #{at} where id = #{id}")
    void disable(UUID id, @Nullable Instant at);

    @Update("update account set expires_on = #{day} where id = #{id}")
    void expire(UUID id, @Nullable LocalDate day);

    /** Ends the sessions of those who are shut out. */
    @Delete("""
            delete from spring_session where principal_name in (
                select id::text from account where disabled_at is not null or expires_on < #{today} or erased_at is not null)""")
    int endSessionsOfThoseShutOut(LocalDate today);

    @Delete("delete from spring_session where principal_name = #{account} and session_id <> #{kept}")
    int endOtherSessions(String account, String kept);

    @Insert("insert into school (name, profile_id) values (#{name}, #{profile})")
    void addSchool(String name, String profile);

    @Select("select name from school")
    Optional<String> school();

    @Select("select profile_id from school")
    Optional<String> schoolProfile();

    @Update("update school set profile_id = #{profile}")
    void setSchoolProfile(String profile);

    @Insert("""
            insert into term (id, name, cohort, starts_on, weeks)
            values (#{id}, #{name}, #{cohort}, #{startsOn}, #{weeks})""")
    void addTerm(Term term);

    @Insert("insert into enrolment (term_id, account_id) values (#{term}, #{account}) on conflict do nothing")
    void enrol(UUID term, UUID account);

    @Select(
            "select id, name, cohort, starts_on, weeks, archived_at from term order by archived_at is not null, starts_on > #{today}, starts_on desc, id")
    List<Term> terms(LocalDate today);

    @Select("""
            select t.id, t.name, t.cohort, t.starts_on, t.weeks, t.archived_at from term t
            join enrolment e on e.term_id = t.id
            where e.account_id = #{account} order by t.archived_at is not null, t.starts_on > #{today}, t.starts_on desc, t.id""")
    List<Term> termsOf(UUID account, LocalDate today);

    @Select("select id, name, cohort, starts_on, weeks, archived_at from term where id = #{id}")
    Optional<Term> term(UUID id);

    @Update("""
            update term set name = #{name}, cohort = #{cohort}, starts_on = #{startsOn}, weeks = #{weeks}
            where id = #{id}""")
    int changeTerm(UUID id, String name, String cohort, LocalDate startsOn, int weeks);

    @Delete("delete from enrolment where term_id = #{term} and account_id = #{account}")
    int leave(UUID term, UUID account);

    @Update("update account set password = #{password} where id = #{account}")
    void setPassword(UUID account, String password);

    @Delete("delete from spring_session where principal_name = #{account}")
    void endSessions(String account);

    @Select("select archived_at is not null from term where id = #{id}")
    Optional<Boolean> archived(UUID id);

    @Update("""
            update term set archived_at = case when #{archived} then coalesce(archived_at, #{at}) end where id = #{id}""")
    int archive(UUID id, boolean archived, Instant at);

    @Select("""
            select\s""" + ACCOUNT + """
             from account a join enrolment e on e.account_id = a.id
            where e.term_id = #{term} order by a.name, a.id""")
    List<Account> inTerm(UUID term);

    @Select("""
            select exists (select 1 from enrolment a join enrolment b on a.term_id = b.term_id
            where a.account_id = #{one} and b.account_id = #{other})""")
    boolean shareTerm(UUID one, UUID other);
}
