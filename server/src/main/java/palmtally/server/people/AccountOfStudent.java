package palmtally.server.people;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Who a student is, and the terms they were in. The account itself stays, without a name, as the trail speaks of it. */
@Component
@Order(1)
class AccountOfStudent implements KeptOfStudent {
    @Mapper
    interface Rows {
        @Select("""
                select 'account' as what, (select jsonb_agg(x)::text from (
                    select name, sign_in as "signIn", role, created_at as "createdAt" from account where id = #{id}) x) as body
                union all select 'terms', (select jsonb_agg(x)::text from (
                    select t.name, t.cohort, t.starts_on as "startsOn", t.weeks from term t
                    join enrolment e on e.term_id = t.id where e.account_id = #{id} order by t.starts_on, t.id) x)""")
        List<Part> told(UUID id);

        @Delete("delete from enrolment where account_id = #{id}")
        int enrolments(UUID id);

        @Delete("delete from left_term where account_id = #{id}")
        int termsLeft(UUID id);

        @Delete("delete from duty where account_id = #{id}")
        void duties(UUID id);

        /** No password has this form, so that nobody signs in with it. */
        @Update("""
                update account set name = 'Removed student', sign_in = 'removed-' || id, sign_in_key = 'removed-' || id, password = '',
                    erased_at = #{at}
                where id = #{id}""")
        void account(UUID id, Instant at);
    }

    private final Rows rows;
    private final AccountRows accounts;
    private final KnownDevices devices;
    private final Clock clock;

    AccountOfStudent(Rows rows, AccountRows accounts, KnownDevices devices, Clock clock) {
        this.rows = rows;
        this.accounts = accounts;
        this.devices = devices;
        this.clock = clock;
    }

    @Override
    public List<Part> told(UUID student, boolean own) {
        return rows.told(student);
    }

    @Override
    public void erase(UUID student, Erased erased) {
        erased.add("terms", rows.enrolments(student) + rows.termsLeft(student));
        rows.duties(student);
        devices.forget(student);
        accounts.endSessions(student.toString());
        rows.account(student, clock.instant());
    }
}
