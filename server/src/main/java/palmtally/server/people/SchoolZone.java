package palmtally.server.people;

import java.time.DateTimeException;
import java.time.ZoneId;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.server.live.Notice;

/**
 * Where the clock on the wall of the school is. It is kept with the school, so that its labs begin when they begin also where its backup
 * is read on a computer elsewhere.
 */
@Component
public class SchoolZone implements Notice {
    private static final Logger log = LoggerFactory.getLogger(SchoolZone.class);
    private static final String CHANNEL = "zone";

    @Mapper
    interface Rows {
        @Select("select zone from school")
        Optional<String> zone();

        @Update("update school set zone = #{zone}")
        void set(String zone);

        @Select("select pg_notify(#{channel}, '')")
        @Nullable
        String tell(String channel);
    }

    /** Asked for when it is needed: the clock is there before the database is. */
    private final ObjectProvider<Rows> rows;

    private volatile @Nullable ZoneId known;

    SchoolZone(ObjectProvider<Rows> rows) {
        this.rows = rows;
    }

    /** That of the school; that of this computer while there is no school. */
    public ZoneId zone() {
        var zone = known;
        if (zone == null) {
            zone = rows.getObject().zone().flatMap(SchoolZone::read).orElse(null);
            if (zone == null) return ZoneId.systemDefault();
            known = zone;
        }
        return zone;
    }

    private static Optional<ZoneId> read(String zone) {
        try {
            return Optional.of(ZoneId.of(zone));
        } catch (DateTimeException e) {
            log.warn("the school's time zone {} is not known here; this computer's is taken", zone);
            return Optional.empty();
        }
    }

    /** A school of before it was kept has its days as this computer had them; a new one too, until it says otherwise. */
    @EventListener(ApplicationReadyEvent.class)
    public void keep() {
        if (rows.getObject().zone().isEmpty())
            rows.getObject().set(ZoneId.systemDefault().getId());
        known = null;
    }

    /** @throws InvalidValue where there is no such zone */
    public void set(String zone) {
        if (!ZoneId.getAvailableZoneIds().contains(zone))
            throw new InvalidValue("school", new Fault("zone", zone, "is no time zone, such as Europe/Oslo"));
        rows.getObject().set(zone);
        known = null;
        rows.getObject().tell(CHANNEL);
    }

    @Override
    public String channel() {
        return CHANNEL;
    }

    @Override
    public void heard() {
        known = null;
    }
}
