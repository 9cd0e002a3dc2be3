package palmtally.server.competency;

import java.util.UUID;
import org.springframework.stereotype.Component;
import palmtally.server.live.Audience;

/** Students with their own page open: told of what is released to them, of nothing else. */
@Component
class OwnTrackAudience implements Audience {
    private final Tracking.Rows rows;

    OwnTrackAudience(Tracking.Rows rows) {
        this.rows = rows;
    }

    @Override
    public String channel() {
        return "own_track";
    }

    @Override
    public String state(String key) {
        return "{\"tracked\":" + rows.released(UUID.fromString(key)) + "}";
    }
}
