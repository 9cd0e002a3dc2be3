package palmtally.server.people;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.picture.BodyLook;
import palmtally.server.problem.Refusal;

/** The school itself: its name, the profile it judges by, how it has the body drawn, and its first visit. */
@Service
public class School {
    private static final String FIRST_PROFILE = "by-seconds";
    private static final String FIRST_TERM = "First term";
    private static final String FIRST_COHORT = "First cohort";
    private static final int FIRST_WEEKS = 15;

    @Mapper
    interface Rows {
        @Insert("select pg_advisory_xact_lock(7151)")
        void lockSetup();

        @Insert("insert into school (name, profile_id) values (#{name}, #{profile})")
        void add(String name, String profile);

        @Select("select name from school")
        Optional<String> name();

        @Select("select profile_id from school")
        Optional<String> profile();

        @Update("update school set profile_id = #{profile}")
        void setProfile(String profile);

        @Select("select build, skin from school")
        Optional<BodyLook> bodyLook();

        @Select("select exists (select 1 from term where (name, cohort) <> (#{name}, #{cohort}))")
        boolean termNamed(String name, String cohort);

        @Select("""
                select exists (select 1 from enrolment e join account a on a.id = e.account_id
                where a.role = 'student')""")
        boolean students();

        @Update("update school set build = #{build}, skin = #{skin}")
        void setBodyLook(BodyLook look);
    }

    private final Rows rows;
    private final Accounts accounts;
    private final Terms terms;
    private final SchoolZone zone;
    private final Clock clock;

    School(Rows rows, Accounts accounts, Terms terms, SchoolZone zone, Clock clock) {
        this.zone = zone;
        this.rows = rows;
        this.accounts = accounts;
        this.terms = terms;
        this.clock = clock;
    }

    /** Whether it waits for its lead. */
    public boolean empty() {
        return accounts.none();
    }

    public String name() {
        return rows.name().orElse("");
    }

    /** Id of the profile that new practicals are judged by. */
    public String profile() {
        return rows.profile().orElse(FIRST_PROFILE);
    }

    public void setProfile(String profile) {
        rows.setProfile(profile);
    }

    /** How the body is drawn, on every screen of the school. */
    public BodyLook bodyLook() {
        return rows.bodyLook().orElse(BodyLook.FIRST);
    }

    public void setBodyLook(BodyLook look) {
        rows.setBodyLook(look);
    }

    /** Whether a term is no longer as the first visit left it. */
    public boolean termNamed() {
        return rows.termNamed(FIRST_TERM, FIRST_COHORT);
    }

    /** Whether there is a student in a term. */
    public boolean hasStudents() {
        return rows.students();
    }

    /** The first visit to an empty school: its lead, and a first term to work in. */
    @Transactional
    public Caller open(String school, String name, String signIn, String password) {
        var lead = setUp(school, name, signIn, password);
        terms.enrol(
                terms.add(FIRST_TERM, FIRST_COHORT, LocalDate.now(clock), FIRST_WEEKS)
                        .id(),
                lead.id());
        return lead;
    }

    /** The first account of an empty school. */
    @Transactional
    public Caller setUp(String school, String name, String signIn, String password) {
        rows.lockSetup();
        if (!empty()) throw Refusal.conflict("already-set-up", "This school has its lead already; sign in instead.");
        if (school.isBlank() || school.length() > 200)
            throw new InvalidValue("school", new Fault("school", school, "must be 1 to 200 characters"));
        rows.add(school.strip(), FIRST_PROFILE);
        zone.keep();
        return new Caller(accounts.add(name, signIn, password, Role.LEAD), name, Role.LEAD);
    }
}
