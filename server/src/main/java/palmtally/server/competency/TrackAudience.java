package palmtally.server.competency;

import java.util.UUID;
import org.springframework.stereotype.Component;
import palmtally.server.live.Audience;
import palmtally.server.people.Terms;

/** Those who look at Track of a term: they are told that something changed, never what. */
@Component
class TrackAudience implements Audience {
    private final Terms terms;

    TrackAudience(Terms terms) {
        this.terms = terms;
    }

    @Override
    public String channel() {
        return "track";
    }

    @Override
    public String state(String key) {
        return "{\"tracked\":" + terms.tracked(UUID.fromString(key)) + "}";
    }
}
