package palmtally.server.ical;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.server.people.Accounts;
import palmtally.server.people.Caller;
import palmtally.server.people.Passwords;
import palmtally.server.problem.Refusal;

/** Private addresses of somebody's own calendar: one for each program that reads it, told once, ended at once. */
@Service
public class CalendarAddresses {
    /** More at once are none that anybody keeps apart. */
    static final int MOST = 10;

    private static final int LETTERS = 40;
    /** A program asks often; that it does is written down no oftener than this. */
    private static final Duration READ_EVERY = Duration.ofMinutes(10);

    /** @param readAt when a program last read it, or null */
    public record CalendarAddress(
            UUID id, String name, Instant madeAt, @Nullable Instant readAt) {}

    /** Whose an address is. */
    record Owner(UUID id, UUID accountId, @Nullable Instant readAt) {}

    @Mapper
    interface Rows {
        @Select("""
                select id, name, made_at, read_at from calendar_address
                where account_id = #{account} and revoked_at is null order by made_at, id""")
        List<CalendarAddress> of(UUID account);

        @Insert("""
                insert into calendar_address (id, account_id, name, code_hash, made_at)
                values (#{id}, #{account}, #{name}, #{hash}, #{at})""")
        void add(UUID id, UUID account, String name, String hash, Instant at);

        @Update("""
                update calendar_address set revoked_at = #{at}
                where id = #{id} and account_id = #{account} and revoked_at is null""")
        int revoke(UUID id, UUID account, Instant at);

        @Select("""
                select id, account_id, read_at from calendar_address where code_hash = #{hash} and revoked_at is null""")
        Optional<Owner> owner(String hash);

        @Update("update calendar_address set read_at = #{at} where id = #{id}")
        void read(UUID id, Instant at);

        @Delete("delete from calendar_address where account_id = #{account}")
        int forget(UUID account);
    }

    private final Rows rows;
    private final Accounts accounts;
    private final Clock clock;

    CalendarAddresses(Rows rows, Accounts accounts, Clock clock) {
        this.rows = rows;
        this.accounts = accounts;
        this.clock = clock;
    }

    public List<CalendarAddress> of(Caller caller) {
        return rows.of(caller.id());
    }

    /**
     * @param name where it is used, so that the right one is ended
     * @return what the address ends with: it is told here and never again
     */
    public String make(Caller caller, @Nullable String name) {
        if (name == null || name.isBlank() || name.strip().length() > 60)
            throw new InvalidValue(
                    "calendar address", new Fault("name", name == null ? "" : name, "must be 1 to 60 characters"));
        if (rows.of(caller.id()).size() >= MOST)
            throw Refusal.conflict("too-many", "You have " + MOST + " addresses; end one you do not use any more.");
        var code = Passwords.word(LETTERS);
        rows.add(UUID.randomUUID(), caller.id(), name.strip(), Passwords.hash(code), clock.instant());
        return code;
    }

    public void revoke(Caller caller, UUID id) {
        if (rows.revoke(id, caller.id(), clock.instant()) == 0) throw Refusal.notFound("address of yours");
    }

    /** Whose calendar an address opens: nobody's where it was ended, or its owner may not sign in any more. */
    public Optional<Caller> owner(String code) {
        var found = rows.owner(Passwords.hash(code));
        found.ifPresent(o -> {
            var now = clock.instant();
            if (o.readAt == null || o.readAt.isBefore(now.minus(READ_EVERY))) rows.read(o.id, now);
        });
        return found.flatMap(o -> accounts.standing(o.accountId));
    }
}
