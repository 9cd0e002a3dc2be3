package palmtally.server.pairing;

import java.time.Clock;
import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.springframework.stereotype.Service;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.pairing.Pair;
import palmtally.server.people.Access;
import palmtally.server.people.Caller;
import palmtally.server.people.Person;
import palmtally.server.people.Role;
import palmtally.server.people.Terms;
import palmtally.server.problem.Refusal;

/**
 * Who is never seated together. It is honoured and told to nobody: each sees what they wrote themselves, and nothing of it stands in the
 * trail, in a file or in what is said of a pair that is not made.
 */
@Service
public class KeptApart {
    /** What somebody wrote themselves. */
    public record Wish(UUID id, String one, String other) {}

    @Mapper
    interface Rows {
        @Select("""
                select k.id, a.name as one, b.name as other from kept_apart k
                join person a on a.id = k.one_id join person b on b.id = k.other_id
                where k.written_by = #{by} and k.withdrawn_at is null order by k.written_at, k.id""")
        List<Wish> written(UUID by);

        @Select("""
                select distinct one_id as account_one, other_id as account_other from kept_apart where withdrawn_at is null""")
        List<Two> all();

        @Insert("""
                insert into kept_apart (id, one_id, other_id, written_by, written_at)
                values (#{id}, #{one}, #{other}, #{by}, #{at})""")
        void add(UUID id, UUID one, UUID other, UUID by, Instant at);

        @Update("""
                update kept_apart set withdrawn_at = #{at}
                where id = #{id} and written_by = #{by} and withdrawn_at is null""")
        int withdraw(UUID id, UUID by, Instant at);
    }

    /** Two of a row. */
    record Two(UUID accountOne, UUID accountOther) {}

    private final Rows rows;
    private final Terms terms;
    private final Access access;
    private final Clock clock;

    KeptApart(Rows rows, Terms terms, Access access, Clock clock) {
        this.rows = rows;
        this.terms = terms;
        this.access = access;
        this.clock = clock;
    }

    public List<Wish> written(Caller caller) {
        return rows.written(caller.id());
    }

    /** With whom somebody may ask not to be seated: those of their newest term. */
    public List<Person> classmates(Caller caller) {
        return terms.newestOf(caller.id())
                .map(t -> terms.students(t.id()).stream()
                        .filter(p -> !p.id().equals(caller.id()))
                        .toList())
                .orElse(List.of());
    }

    /**
     * @throws InvalidValue where it is not about two people
     * @throws Refusal 403 where a student writes for others, or staff of students they do not teach
     */
    public List<Wish> add(Caller caller, UUID one, UUID other) {
        if (one.equals(other))
            throw new InvalidValue("apart", new Fault("other", other.toString(), "is the same person"));
        if (caller.role() == Role.STUDENT) {
            if (!one.equals(caller.id())) throw Refusal.forbidden("A student asks this for themselves.");
            if (classmates(caller).stream().noneMatch(p -> p.id().equals(other)))
                throw Refusal.notFound("student in your term");
        } else {
            access.maySee(caller, one);
            access.maySee(caller, other);
        }
        rows.add(UUID.randomUUID(), one, other, caller.id(), clock.instant());
        return written(caller);
    }

    public List<Wish> withdraw(Caller caller, UUID id) {
        if (rows.withdraw(id, caller.id(), clock.instant()) == 0) throw Refusal.notFound("wish of yours");
        return written(caller);
    }

    /** All of them, for finding seats and for nothing else. */
    public Set<Pair> pairs() {
        var pairs = new HashSet<Pair>();
        for (var row : rows.all())
            pairs.add(new Pair(row.accountOne().toString(), row.accountOther().toString()));
        return pairs;
    }
}
