package palmtally.server.competency;

import java.util.concurrent.atomic.AtomicLong;
import org.springframework.stereotype.Component;
import palmtally.server.live.Audience;

/** Those who look at Track of a term: they are told that something changed, never what. */
@Component
class TrackAudience implements Audience {
    private final AtomicLong told = new AtomicLong();

    @Override
    public String channel() {
        return "track";
    }

    @Override
    public String state(String key) {
        return "{\"changed\":" + told.incrementAndGet() + "}";
    }
}
