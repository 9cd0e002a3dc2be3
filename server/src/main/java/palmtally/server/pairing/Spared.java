package palmtally.server.pairing;

import java.util.Collection;
import java.util.HashSet;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import palmtally.core.pairing.BodyWorked;
import palmtally.server.note.ClientNotes;
import palmtally.server.profile.Profiles;
import palmtally.server.sequence.Sequences;

/** Whose body must be spared what is worked: for finding seats, and told to nobody. */
@Service
class Spared {
    private final ClientNotes notes;
    private final Sequences sequences;
    private final Profiles profiles;

    Spared(ClientNotes notes, Sequences sequences, Profiles profiles) {
        this.notes = notes;
        this.sequences = sequences;
        this.profiles = profiles;
    }

    /**
     * @param worked ids of sequences; one that is not there counts for nothing
     * @return those of the people on whom one of them cannot be worked
     */
    Set<UUID> from(Collection<String> worked, Set<UUID> people) {
        var spared = new HashSet<UUID>();
        if (worked.isEmpty()) return spared;
        var plans = worked.stream()
                .map(sequences::find)
                .flatMap(java.util.Optional::stream)
                .map(v -> v.document())
                .toList();
        var profile = profiles.ofSchool().document();
        notes.forSeats(people).forEach((id, of) -> {
            if (plans.stream().anyMatch(p -> BodyWorked.mostly(p, profile, of))) spared.add(id);
        });
        return spared;
    }
}
