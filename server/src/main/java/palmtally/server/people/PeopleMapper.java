package palmtally.server.people;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface PeopleMapper {
    @Select("select count(*) from account")
    long count();

    @Insert("select pg_advisory_xact_lock(7151)")
    void lockSetup();

    @Select("select id, name, sign_in, password, role from account where lower(sign_in) = lower(#{signIn})")
    Optional<Account> bySignIn(String signIn);

    @Select("select id, name, sign_in, password, role from account where id = #{id}")
    Optional<Account> byId(UUID id);

    @Insert("""
            insert into account (id, name, sign_in, password, role)
            values (#{id}, #{name}, #{signIn}, #{password}, #{role})""")
    void add(Account account);

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

    @Select("select id, name, cohort, starts_on, weeks from term order by starts_on desc, id")
    List<Term> terms();

    @Select("""
            select t.id, t.name, t.cohort, t.starts_on, t.weeks from term t
            join enrolment e on e.term_id = t.id
            where e.account_id = #{account} order by t.starts_on desc, t.id""")
    List<Term> termsOf(UUID account);

    @Select("select id, name, cohort, starts_on, weeks from term where id = #{id}")
    Optional<Term> term(UUID id);

    @Select("""
            select a.id, a.name, a.sign_in, a.password, a.role from account a
            join enrolment e on e.account_id = a.id
            where e.term_id = #{term} order by a.name, a.id""")
    List<Account> inTerm(UUID term);

    @Select("""
            select exists (select 1 from enrolment a join enrolment b on a.term_id = b.term_id
            where a.account_id = #{one} and b.account_id = #{other})""")
    boolean shareTerm(UUID one, UUID other);
}
