package palmtally.server.profile;

import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palmtally.core.profile.Profile;
import palmtally.formats.Documents;
import palmtally.formats.FormatException;
import palmtally.server.answer.Made;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;
import palmtally.server.people.School;

/** Profiles: list, choose, in and out. */
@RestController
class ProfileController {
    record ProfileView(UUID versionId, int version, boolean ofSchool, Profile profile) {}

    private final Profiles profiles;
    private final School school;

    ProfileController(Profiles profiles, School school) {
        this.profiles = profiles;
        this.school = school;
    }

    @Allow(Permission.STAFF)
    @GetMapping("/api/profiles")
    List<ProfileView> all() {
        var ofSchool = school.profile();
        return profiles.all().stream()
                .map(v -> new ProfileView(v.id(), v.number(), v.document().id().equals(ofSchool), v.document()))
                .toList();
    }

    @Allow(Permission.LEAD)
    @PutMapping("/api/school/profile/{id}")
    List<ProfileView> choose(@PathVariable String id) {
        school.setProfile(profiles.newest(id).document().id());
        return all();
    }

    @Allow(Permission.STAFF)
    @GetMapping(path = "/api/profiles/{id}/file", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<String> file(@PathVariable String id) {
        var profile = profiles.named(id);
        return ResponseEntity.ok()
                .header(
                        "Content-Disposition",
                        "attachment; filename=\"" + profile.id().replaceAll("[^A-Za-z0-9-]", "-") + ".profile.json\"")
                .body(Documents.write(profile));
    }

    @Allow(Permission.LEAD)
    @PostMapping(path = "/api/school/profiles/file", consumes = MediaType.APPLICATION_JSON_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<List<ProfileView>> read(@Me Caller caller, @RequestBody String text) throws FormatException {
        var profile = Documents.readProfile(text);
        profiles.take(profile, caller);
        return Made.at("/api/profiles/" + profile.id() + "/file", all());
    }
}
