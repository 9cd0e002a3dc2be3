package palmtally.server.technique;

import java.util.List;
import org.springframework.stereotype.Service;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Techniques;
import palmtally.formats.Documents;
import palmtally.server.people.Caller;
import palmtally.server.problem.Refusal;
import palmtally.server.version.Kind;
import palmtally.server.version.Version;
import palmtally.server.version.VersionStore;
import palmtally.server.version.Versions;

/** The library of techniques as this school has it: the standard one, and what was changed. */
@Service
public class Library {
    /** A technique with its version; 0 while it is the standard one. */
    public record Versioned(int version, Technique technique) {}

    private final Versions<Technique> versions;

    Library(VersionStore store) {
        // Aliases must stay different over the whole library.
        versions = store.of(new Kind<>(
                "technique",
                "technique",
                Documents::storedTechnique,
                t -> techniques().with(List.of(t)),
                t -> new Kind.Called(t.name(), "")));
    }

    public Techniques techniques() {
        var changed = versions.newest().stream().map(Version::document).toList();
        return changed.isEmpty() ? Techniques.standard() : Techniques.standard().with(changed);
    }

    /** @throws Refusal 404 where there is no such technique */
    public Versioned newest(String id) {
        var standard = Techniques.standard().find(id).orElseThrow(() -> Refusal.notFound("technique"));
        // Where no version of it can be read it is the standard one again.
        return versions.find(id)
                .map(v -> new Versioned(v.number(), v.document()))
                .orElse(new Versioned(0, standard));
    }

    /**
     * @param from the version it was made from
     * @throws Refusal 409 when somebody saved another meanwhile
     */
    public Versioned save(Technique technique, int from, Caller by) {
        var now = newest(technique.id());
        boolean damaged = versions.damage(technique.id()).isPresent();
        if (!damaged && now.technique().equals(technique)) return now;
        var saved = versions.save(technique.id(), from, "Saved", technique, by);
        return new Versioned(saved.number(), saved.document());
    }
}
