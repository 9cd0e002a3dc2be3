package palmtally.server.note;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Collection;
import java.util.HashSet;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import palmtally.core.pairing.BodyWorked;
import palmtally.server.profile.Profiles;
import palmtally.server.sequence.Sequences;

/** Whose body must be spared what is worked: for finding seats, and told to nobody. */
@Service
public class Spared {
    private final ClientNotes.Rows rows;
    private final Sequences sequences;
    private final Profiles profiles;
    private final Clock clock;

    Spared(ClientNotes.Rows rows, Sequences sequences, Profiles profiles, Clock clock) {
        this.rows = rows;
        this.sequences = sequences;
        this.profiles = profiles;
        this.clock = clock;
    }

    /**
     * @param worked ids of sequences; one that is not there counts for nothing
     * @return those of the people on whom one of them cannot be worked
     */
    public Set<UUID> from(Collection<String> worked, Set<UUID> people) {
        var spared = new HashSet<UUID>();
        if (worked.isEmpty()) return spared;
        var plans = worked.stream()
                .map(sequences::find)
                .flatMap(java.util.Optional::stream)
                .map(v -> v.document())
                .toList();
        var profile = profiles.ofSchool().document();
        rows.notes(LocalDate.now(clock)).stream()
                .filter(n -> people.contains(n.accountId()))
                .collect(Collectors.groupingBy(ClientNotes.Whose::accountId))
                .forEach((id, notes) -> {
                    var of = notes.stream()
                            .map(ClientNotes.Whose::note)
                            .filter(Objects::nonNull)
                            .toList();
                    if (plans.stream().anyMatch(p -> BodyWorked.mostly(p, profile, of))) spared.add(id);
                });
        return spared;
    }
}
