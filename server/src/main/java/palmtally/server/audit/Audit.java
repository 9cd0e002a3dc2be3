package palmtally.server.audit;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import palmtally.server.people.Caller;

/** The trail: who did what, about whom, when and from where; each read of a student's record by another among it. */
@Service
public class Audit {
    @Mapper
    interface Rows {
        @Insert(
                "insert into audit (account_id, what, subject, detail) values (#{account}, #{what}, #{subject}, #{detail})")
        void add(UUID account, String what, UUID subject, String detail);

        @Insert("""
                insert into audit (account_id, what, subject, detail, address)
                values (#{account}, #{what}, #{subject}, #{detail}, #{address})""")
        void line(@Nullable UUID account, String what, @Nullable UUID subject, String detail, String address);

        @Select("""
                select l.id, l.at, b.name as by, l.what, a.name as about, l.detail, l.address from audit l
                left join account b on b.id = l.account_id left join account a on a.id = l.subject
                where (#{before}::bigint is null or l.id < #{before})
                  and (#{words} = '' or strpos(lower(l.what || ' ' || l.detail || ' ' || coalesce(b.name, '') || ' ' || coalesce(a.name, '')),
                                               lower(#{words})) > 0)
                order by l.id desc limit #{most}""")
        List<TrailLine> page(@Nullable Long before, String words, int most);

        @Insert("""
                insert into audit (account_id, what, subject)
                select #{account}, #{what}, x from unnest(string_to_array(#{subjects}, ',')::uuid[]) x""")
        void addAll(UUID account, String what, String subjects);
    }

    /**
     * A line of the trail.
     *
     * @param by who did it; null where nobody was signed in
     * @param about whom it concerns, or null
     * @param address where it came from; null for what earlier versions wrote, and for lines that a service writes
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

    Audit(Rows rows) {
        this.rows = rows;
    }

    /** A line of a request. */
    void line(@Nullable UUID account, String what, @Nullable UUID subject, String detail, String address) {
        rows.line(account, what, subject, detail.replace("\0", ""), address);
    }

    /** A page of the trail before a line, the newest first. */
    List<TrailLine> page(@Nullable Long before, String words) {
        return rows.page(before, words.replace("\0", ""), A_PAGE);
    }

    public void read(Caller caller, UUID student, String what) {
        if (!caller.id().equals(student)) rows.add(caller.id(), "read " + what, student, "");
    }

    /** Of many at once. */
    public void readAll(Caller caller, Collection<UUID> students, String what) {
        if (!students.isEmpty())
            rows.addAll(
                    caller.id(),
                    "read " + what,
                    students.stream().map(UUID::toString).collect(Collectors.joining(",")));
    }

    public void changed(Caller caller, UUID subject, String what, String detail) {
        rows.add(caller.id(), what, subject, detail);
    }
}
