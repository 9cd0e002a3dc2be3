package palmtally.server.audit;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;
import palmtally.formats.Json;
import palmtally.server.answer.Page;
import palmtally.server.people.Caller;

/** The trail: who did what, about whom, when and from where; each read of a student's record by another among it. */
@Service
public class Audit {
    @Mapper
    interface Rows {
        @Insert("""
                insert into audit (at, account_id, what, subject, detail, address)
                values (#{at}, #{account}, #{what}, #{subject}, #{detail}, #{address})""")
        void line(
                Instant at,
                @Nullable UUID account,
                String what,
                @Nullable UUID subject,
                String detail,
                @Nullable String address);

        @Insert("""
                insert into audit (at, account_id, what, subject, detail, address)
                select #{at}, #{account}, #{what}, subject, which, #{address}
                from jsonb_to_recordset(#{each}::jsonb) as r(subject uuid, which text)""")
        void lines(Instant at, UUID account, String what, String each, @Nullable String address);

        @Select("""
                select l.id, l.at, b.name as by, l.what, a.name as about, l.detail, l.address from audit l
                left join person b on b.id = l.account_id left join person a on a.id = l.subject
                where (#{before}::bigint is null or l.id < #{before})
                  and (#{words} = '' or strpos(lower(l.what || ' ' || l.detail || ' ' || coalesce(b.name, '') || ' ' || coalesce(a.name, '')),
                                               lower(#{words})) > 0)
                order by l.id desc limit #{most}""")
        List<TrailLine> page(@Nullable Long before, String words, int most);
    }

    /**
     * A line of the trail.
     *
     * @param by who did it; null where nobody was signed in
     * @param about whom it concerns, or null
     * @param address where it came from; null for what earlier versions wrote
     */
    public record TrailLine(
            long id,
            Instant at,
            @Nullable String by,
            String what,
            @Nullable String about,
            String detail,
            @Nullable String address) {}

    /** Lines of a page. */
    static final int A_PAGE = 100;

    private final Rows rows;
    private final Clock clock;

    Audit(Rows rows, Clock clock) {
        this.rows = rows;
        this.clock = clock;
    }

    /** A line of a request. */
    void line(@Nullable UUID account, String what, @Nullable UUID subject, String detail, String address) {
        rows.line(clock.instant(), account, what, subject, detail.replace("\0", ""), address);
    }

    /** A page of the trail before a line, the newest first. */
    Page<TrailLine> page(@Nullable Long before, String words) {
        return Page.of(rows.page(before, words.replace("\0", ""), A_PAGE + 1), A_PAGE, TrailLine::id);
    }

    /** Somebody read a student's record; one's own is one's own affair. */
    public void read(Caller caller, UUID student, String what) {
        read(caller, student, what, "");
    }

    /** @param which of several that the student has */
    public void read(Caller caller, UUID student, String what, String which) {
        if (!caller.id().equals(student)) told(caller, "read " + what, student, which);
    }

    /** Which of several that a student has. */
    public record Which(UUID subject, String which) {}

    /** Somebody read records of many students: a line for each. */
    public void readEach(Caller caller, String what, List<Which> records) {
        rows.lines(clock.instant(), caller.id(), "read " + what, Json.MAPPER.writeValueAsString(records), address());
    }

    /** Somebody read of a whole class at once: one line, however many they are. */
    public void readClass(Caller caller, int students, String what) {
        told(caller, "read " + what, null, students == 1 ? "1 student" : students + " students");
    }

    /** Somebody changed what there is about a person or, where there is none, about a term. */
    public void changed(Caller caller, @Nullable UUID subject, String what, String detail) {
        told(caller, what, subject, detail);
    }

    /** The school's own rules did something, and nobody asked for it. */
    public void byItself(String what, String detail) {
        rows.line(clock.instant(), null, what, null, detail, null);
    }

    private void told(Caller caller, String what, @Nullable UUID subject, String detail) {
        rows.line(clock.instant(), caller.id(), what, subject, detail.replace("\0", ""), address());
    }

    private static @Nullable String address() {
        return RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes r
                ? r.getRequest().getRemoteAddr()
                : null;
    }
}
