package palmtally.server.note;

import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Region;
import palmtally.core.body.Zone;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;
import palmtally.server.profile.Profiles;

/** In which sensitive regions the caller agrees to be worked on: theirs to say, and nothing of anybody else. */
@RestController
class AgreedController {
    record SaidOfRegion(@Nullable Region region, @Nullable Boolean agreed) {}

    private final AgreedRegions agreed;
    private final Profiles profiles;

    AgreedController(AgreedRegions agreed, Profiles profiles) {
        this.agreed = agreed;
        this.profiles = profiles;
    }

    /** The regions that are asked by the school's profile. */
    private Set<Region> asked() {
        var draping = profiles.ofSchool().document().draping();
        var regions = new TreeSet<Region>();
        for (var zone : Zone.values()) if (draping.asks(zone)) regions.add(zone.region());
        return regions;
    }

    @Allow(Permission.SIGNED_IN)
    @GetMapping("/api/me/agreed")
    List<AgreedRegions.AgreedRegion> said(@Me Caller caller) {
        return agreed.of(caller, asked());
    }

    @Allow(Permission.SIGNED_IN)
    @PutMapping("/api/me/agreed")
    List<AgreedRegions.AgreedRegion> say(@Me Caller caller, @RequestBody SaidOfRegion given) {
        if (given.region == null) throw new InvalidValue("agreed", new Fault("region", "", "is missing"));
        agreed.say(caller, given.region, given.agreed);
        return said(caller);
    }
}
