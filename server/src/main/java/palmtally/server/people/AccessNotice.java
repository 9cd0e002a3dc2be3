package palmtally.server.people;

import org.springframework.stereotype.Component;
import palmtally.server.live.Notice;

/** Who may do what has changed at another server: what is kept of it here is asked again. */
@Component
class AccessNotice implements Notice {
    private final Access access;

    AccessNotice(Access access) {
        this.access = access;
    }

    @Override
    public String channel() {
        return Access.CHANNEL;
    }

    @Override
    public void heard() {
        access.heard();
    }
}
