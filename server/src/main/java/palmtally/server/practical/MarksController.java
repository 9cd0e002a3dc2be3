package palmtally.server.practical;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import palmtally.core.practical.MarkRules;
import palmtally.server.people.Allow;
import palmtally.server.people.Permission;
import palmtally.server.profile.Profiles;

/** How the marks of the school come about, for everybody who gets or gives one. */
@RestController
class MarksController {
    private final Profiles profiles;

    MarksController(Profiles profiles) {
        this.profiles = profiles;
    }

    @Allow(Permission.SIGNED_IN)
    @GetMapping("/api/marks")
    List<MarkRules.Section> marks() {
        return MarkRules.of(profiles.ofSchool().document());
    }
}
