package palmtally.server.people;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Slows guessing. A try is written down before the password is looked at, so that tries at the same moment count one after another; it is
 * struck out when it was right. Kept in the database, for all servers of a school. A device on which somebody signed in before has a
 * count of its own: no stranger locks its owner out.
 */
@Component
class SignInThrottle {
    /**
     * @param free tries in a row without a wait
     * @param seconds the first wait; each further one is twice as long
     * @param most the longest wait, in seconds
     */
    record Limit(String key, int free, int seconds, int most) {}

    private static final Duration FORGOTTEN = Duration.ofHours(12);

    @Mapper
    interface Rows {
        /** Counts a try where one is free; nothing where a wait is not over. */
        @Insert("""
                insert into sign_in_try (key, failed, last) values (#{key}, 1, #{now})
                on conflict (key) do update set
                    failed = case when sign_in_try.last < #{forgotten} then 1 else sign_in_try.failed + 1 end, last = #{now}
                where sign_in_try.last < #{forgotten} or sign_in_try.failed < #{free}
                    or sign_in_try.last + make_interval(secs => least(#{most}, #{seconds} * power(2, least(20, sign_in_try.failed - #{free}))))
                        <= #{now}""")
        int count(String key, int free, int seconds, int most, Instant now, Instant forgotten);

        record Try(int failed, Instant last) {}

        @Select("select failed, last from sign_in_try where key = #{key}")
        Optional<Try> of(String key);

        @Update("update sign_in_try set failed = greatest(0, failed - 1) where key = #{key}")
        void strike(String key);

        @Delete("delete from sign_in_try where key = #{key}")
        void clear(String key);

        @Delete("delete from sign_in_try where last < #{forgotten}")
        void forget(Instant forgotten);
    }

    private final Rows rows;
    private final TransactionTemplate transaction;
    private final Clock clock;

    SignInThrottle(Rows rows, TransactionTemplate transaction, Clock clock) {
        this.rows = rows;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** What a try counts against. */
    private static List<Limit> limits(String signIn, String address, @Nullable String device) {
        if (device != null) return List.of(new Limit("device " + device, 8, 5, 30));
        var name = SignInName.key(signIn);
        return List.of(
                new Limit("pair " + name + " " + address, 5, 15, 900),
                new Limit("name " + name, 20, 15, 300),
                new Limit("address " + address, 200, 5, 30));
    }

    /**
     * Counts a try against all it counts against; one that has to wait for one of them counts against none.
     *
     * @param device the device it comes from, where somebody signed in with that name on it before
     * @return 0 when it is free, else the seconds to wait; then the password is not to be looked at
     */
    long begin(String signIn, String address, @Nullable String device) {
        var now = clock.instant();
        var full = transaction.execute(counting -> {
            for (var l : limits(signIn, address, device))
                if (rows.count(l.key, l.free, l.seconds, l.most, now, now.minus(FORGOTTEN)) == 0) {
                    counting.setRollbackOnly();
                    return l;
                }
            return null;
        });
        return full == null ? 0 : rows.of(full.key).map(t -> wait(full, t, now)).orElse(1L);
    }

    private static long wait(Limit limit, Rows.Try tried, Instant now) {
        long seconds =
                Math.min(limit.most, Math.round(limit.seconds * Math.pow(2, Math.min(20, tried.failed - limit.free))));
        return Math.max(1, tried.last.plusSeconds(seconds).getEpochSecond() - now.getEpochSecond());
    }

    /** The try was right: what it counted against begins anew; at the address, which others share, this try alone is struck out. */
    void right(String signIn, String address, @Nullable String device) {
        for (var l : limits(signIn, address, device))
            if (l.key.startsWith("address ")) rows.strike(l.key);
            else rows.clear(l.key);
    }

    @Scheduled(initialDelay = 1, fixedDelay = 6, timeUnit = TimeUnit.HOURS)
    void forget() {
        rows.forget(clock.instant().minus(FORGOTTEN));
    }
}
