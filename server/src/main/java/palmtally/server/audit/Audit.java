package palmtally.server.audit;

import java.util.Collection;
import java.util.UUID;
import java.util.stream.Collectors;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.springframework.stereotype.Service;
import palmtally.server.people.Caller;

/** Each read of a student's record by another, and each change of a mark. */
@Service
public class Audit {
    @Mapper
    interface Rows {
        @Insert(
                "insert into audit (account_id, what, subject, detail) values (#{account}, #{what}, #{subject}, #{detail})")
        void add(UUID account, String what, UUID subject, String detail);

        @Insert("""
                insert into audit (account_id, what, subject)
                select #{account}, #{what}, x from unnest(string_to_array(#{subjects}, ',')::uuid[]) x""")
        void addAll(UUID account, String what, String subjects);
    }

    private final Rows rows;

    Audit(Rows rows) {
        this.rows = rows;
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
