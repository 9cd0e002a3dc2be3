package palmtally.formats.draft;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import palmtally.core.people.ClientNote;
import palmtally.core.picture.Build;
import palmtally.core.profile.Profile;
import palmtally.core.technique.Techniques;

/** What a school has, as far as drafts need it and whoever asks may know it. */
public interface Known {
    /**
     * A profile with the techniques of the school.
     *
     * @param id or null for the one the school works by
     */
    Profile profile(@Nullable String id);

    /** What a body must be spared; none where no body is named. */
    List<ClientNote> notes(@Nullable UUID client);

    Techniques techniques();

    /** How bodies are drawn. */
    Build build();
}
