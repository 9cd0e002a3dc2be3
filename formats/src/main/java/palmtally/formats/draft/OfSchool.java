package palmtally.formats.draft;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.people.ClientNote;
import palmtally.core.picture.Build;
import palmtally.core.profile.Profile;
import palmtally.core.technique.Techniques;

/**
 * What a page is told of its school, so that it can answer by itself. Of bodies it is told nothing.
 *
 * @param ofSchool id of the profile the school works by
 * @param profiles without techniques of their own
 */
public record OfSchool(String ofSchool, List<Profile> profiles, Techniques techniques, Build build) implements Known {
    public OfSchool {
        profiles = List.copyOf(profiles);
    }

    @Override
    public Profile profile(@Nullable String id) {
        var wanted = id == null ? ofSchool : id;
        return profiles.stream()
                .filter(p -> p.id().equals(wanted))
                .findFirst()
                .orElseThrow(() -> unknown("profile", wanted))
                .teaching(techniques);
    }

    @Override
    public List<ClientNote> notes(@Nullable UUID client) {
        if (client != null) throw unknown("client", client.toString());
        return List.of();
    }

    private static InvalidValue unknown(String field, String value) {
        return new InvalidValue("draft", new Fault(field, value, "is not known here"));
    }
}
