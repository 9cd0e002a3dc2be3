package palmtally.server.raised;

import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import palmtally.server.incident.Incidents;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;
import palmtally.server.secondlook.SecondLooks;

/** What was raised and waits for the caller. */
@RestController
class RaisedController {
    /**
     * @param secondLooks marks to look at again, for the lead
     * @param stops safety stops without a record
     */
    record RaisedView(int secondLooks, int stops) {}

    private final SecondLooks secondLooks;
    private final Incidents incidents;

    RaisedController(SecondLooks secondLooks, Incidents incidents) {
        this.secondLooks = secondLooks;
        this.incidents = incidents;
    }

    @Allow(Permission.STAFF)
    @GetMapping("/api/me/raised")
    RaisedView raised(@Me Caller caller) {
        return new RaisedView(secondLooks.waiting(caller), incidents.waiting(caller));
    }
}
