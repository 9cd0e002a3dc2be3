package palmtally.server.competency;

import java.util.UUID;
import org.springframework.stereotype.Component;
import palmtally.server.live.Audience;

/** Those who look at Track of a term: they are told that something changed, never what. */
@Component
class TrackAudience implements Audience {
    private final Tracking.Rows rows;

    TrackAudience(Tracking.Rows rows) {
        this.rows = rows;
    }

    @Override
    public String channel() {
        return "track";
    }

    @Override
    public String state(String key) {
        return "{\"tracked\":" + rows.tracked(UUID.fromString(key)) + "}";
    }
}
