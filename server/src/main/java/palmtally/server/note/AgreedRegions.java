package palmtally.server.note;

import java.time.Clock;
import java.time.Instant;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.body.Region;
import palmtally.server.people.Caller;

/**
 * In which sensitive regions somebody agreed to be worked on by fellow students. Theirs alone to say and to change; it is honoured where
 * partners and clients are found, and told to nobody.
 */
@Service
public class AgreedRegions {
    /** @param agreed null while nothing is said */
    public record AgreedRegion(Region region, @Nullable Boolean agreed) {}

    /** What is said of one region. */
    record Said(UUID accountId, Region region, boolean agreed) {}

    @Mapper
    interface Rows {
        @Select("select account_id, region, agreed from agreed_region")
        List<Said> all();

        @Select("select account_id, region, agreed from agreed_region where account_id = #{account}")
        List<Said> of(UUID account);

        @Insert("""
                insert into agreed_region (account_id, region, agreed, said_at)
                values (#{account}, #{region}, #{agreed}, #{at})
                on conflict (account_id, region) do update set agreed = #{agreed}, said_at = #{at}""")
        void say(UUID account, Region region, boolean agreed, Instant at);

        @Delete("delete from agreed_region where account_id = #{account} and region = #{region}")
        void forget(UUID account, Region region);
    }

    private final Rows rows;
    private final Clock clock;

    AgreedRegions(Rows rows, Clock clock) {
        this.rows = rows;
        this.clock = clock;
    }

    /** What somebody said themselves, of each region that is asked. */
    public List<AgreedRegion> of(Caller caller, Set<Region> asked) {
        var said = new HashMap<Region, Boolean>();
        for (var s : rows.of(caller.id())) said.put(s.region, s.agreed);
        return asked.stream()
                .sorted()
                .map(r -> new AgreedRegion(r, said.get(r)))
                .toList();
    }

    /** @param agreed null to take back what was said */
    @Transactional
    public void say(Caller caller, Region region, @Nullable Boolean agreed) {
        if (agreed == null) rows.forget(caller.id(), region);
        else rows.say(caller.id(), region, agreed, clock.instant());
    }

    /** Those regions of which each of the people said that they agree, or that they do not; for finding partners and nothing else. */
    public Map<UUID, Set<Region>> said(Set<UUID> people, boolean agreed) {
        Map<UUID, Set<Region>> by = new HashMap<>();
        for (var s : rows.all())
            if (s.agreed == agreed && people.contains(s.accountId))
                by.computeIfAbsent(s.accountId, k -> EnumSet.noneOf(Region.class))
                        .add(s.region);
        return by;
    }
}
