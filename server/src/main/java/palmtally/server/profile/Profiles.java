package palmtally.server.profile;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palmtally.core.profile.Profile;
import palmtally.core.technique.Techniques;
import palmtally.formats.Documents;
import palmtally.server.people.Caller;
import palmtally.server.people.Role;
import palmtally.server.people.School;
import palmtally.server.problem.Refusal;
import palmtally.server.technique.Library;
import palmtally.server.version.Kind;
import palmtally.server.version.Version;
import palmtally.server.version.VersionStore;
import palmtally.server.version.Versions;

/** The school's profiles. A version never changes: what was graded points to the one it was graded by. */
@Service
public class Profiles {
    private final Versions<Profile> versions;
    private final School school;
    private final Library library;

    Profiles(VersionStore store, School school, Library library) {
        this.library = library;
        versions = store.of(new Kind<>(
                "profile", "profile", Documents::storedProfile, p -> {}, p -> new Kind.Called(p.name(), "")));
        this.school = school;
    }

    /** The newest version of each; the shipped ones are stored the first time they are asked for. */
    @Transactional
    public List<Version<Profile>> all() {
        var all = versions.newest();
        if (!all.isEmpty()) return all;
        Profile.shipped().forEach(p -> save(p, null));
        return versions.newest();
    }

    @Transactional
    public Version<Profile> newest(String id) {
        if (!versions.has(id)) all();
        return versions.newest(id);
    }

    /** The profile the school works by. */
    public Version<Profile> ofSchool() {
        return newest(school.profile());
    }

    /** The newest profile of that id, or the school's where none is named, with the techniques of the school. */
    public Profile named(@Nullable String id) {
        return (id == null ? ofSchool() : newest(id)).document().teaching(library.techniques());
    }

    public Version<Profile> version(UUID id) {
        return versions.byId(id);
    }

    /** A new version, unless it says what the newest says already. Techniques have versions of their own. */
    public Version<Profile> save(Profile taught, @Nullable Caller by) {
        var profile = taught.teaching(Techniques.SHIPPED);
        var now = versions.find(profile.id());
        if (now.isPresent() && now.get().says(profile)) return now.get();
        return versions.save(profile.id(), now.map(Version::number).orElse(0), "Saved", profile, by);
    }

    /**
     * Takes a profile from a file, with the techniques that it brings, all or nothing.
     *
     * @throws palmtally.core.InvalidValue where one of these cannot be taught beside the school's own
     */
    @Transactional
    public void take(Profile profile, Caller by) {
        library.take(profile.techniques(), by);
        save(profile, by);
    }

    /**
     * The version that says the very same; a profile nobody knew is stored where the lead brings it.
     *
     * @throws Refusal 403 where another than the lead brings one that nobody knew; 409 where the id is known and no version of it says the same
     */
    @Transactional
    public Version<Profile> same(Profile taught, Caller by) {
        var profile = taught.teaching(Techniques.SHIPPED);
        all();
        if (!versions.has(profile.id())) {
            if (by.role() != Role.LEAD)
                throw Refusal.forbidden("This record was judged by a profile \"" + profile.id()
                        + "\" that is not known here; the lead reads profiles, under School.");
            return save(profile, by);
        }
        return versions.all(profile.id()).stream()
                .filter(v -> v.document().equals(profile))
                .findFirst()
                .orElseThrow(() -> Refusal.conflict(
                        "other-profile",
                        "The record was judged by a profile \"" + profile.id()
                                + "\" that differs from every version here. Read that profile from its file first."));
    }
}
