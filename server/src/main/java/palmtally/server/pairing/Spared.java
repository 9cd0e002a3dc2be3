package palmtally.server.pairing;

import java.util.Collection;
import java.util.Collections;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import palmtally.core.body.Region;
import palmtally.core.body.Zone;
import palmtally.core.pairing.BodyWorked;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;
import palmtally.server.note.AgreedRegions;
import palmtally.server.note.ClientNotes;
import palmtally.server.profile.Profiles;
import palmtally.server.sequence.Sequences;

/** Whose body must be spared what is worked: for finding seats, and told to nobody. */
@Service
public class Spared {
    private final ClientNotes notes;
    private final Sequences sequences;
    private final Profiles profiles;
    private final AgreedRegions agreed;

    Spared(ClientNotes notes, Sequences sequences, Profiles profiles, AgreedRegions agreed) {
        this.agreed = agreed;
        this.notes = notes;
        this.sequences = sequences;
        this.profiles = profiles;
    }

    /**
     * @param worked ids of sequences; one that is not there counts for nothing
     * @return those of the people on whom one of them cannot be worked, or who said that they are not worked on in a sensitive region of it
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
        notes.ofPeople(people).forEach((id, of) -> {
            if (plans.stream().anyMatch(p -> BodyWorked.mostly(p, profile, of))) spared.add(id);
        });
        var sensitive = plans.stream()
                .flatMap(p -> sensitive(p, profile).stream())
                .collect(Collectors.toCollection(() -> EnumSet.noneOf(Region.class)));
        agreed.said(people, false).forEach((id, not) -> {
            if (!Collections.disjoint(not, sensitive)) spared.add(id);
        });
        return spared;
    }

    /** The sensitive regions that a sequence touches. */
    public static Set<Region> sensitive(Sequence sequence, Profile profile) {
        return sequence.steps().stream()
                .flatMap(s -> s.zones().stream())
                .filter(profile.draping()::asks)
                .map(Zone::region)
                .collect(Collectors.toCollection(() -> EnumSet.noneOf(Region.class)));
    }

    /** Those of the people on whom something of a sequence cannot be worked: in a practical all of it is asked. */
    public Set<UUID> fromAnyOf(Sequence sequence, Set<UUID> people) {
        var profile = profiles.ofSchool().document();
        var spared = new HashSet<UUID>();
        notes.ofPeople(people).forEach((id, of) -> {
            if (BodyWorked.lessThanAll(sequence, profile, of)) spared.add(id);
        });
        return spared;
    }
}
