package palmtally.core.pairing;

import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import palmtally.core.Sums;
import palmtally.core.people.ClientNote;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.check.Checks;
import palmtally.core.sequence.check.ClientNotes;

/** Whether a body can be worked on with a sequence. */
public final class BodyWorked {
    private BodyWorked() {}

    /**
     * Whether half of the working time or more falls on what a body must be spared, so that it is no client for this sequence (common
     * practice, no source: less is left out at the table).
     */
    public static boolean mostly(Sequence sequence, Profile profile, List<ClientNote> notes) {
        if (notes.isEmpty() || sequence.steps().isEmpty()) return false;
        var blocked = blocked(sequence, profile, notes);
        double all = Sums.of(sequence.steps().stream().mapToDouble(s -> s.dose().totalSeconds()));
        double spared = Sums.of(sequence.steps().stream()
                .filter(s -> blocked.contains(s.id()))
                .mapToDouble(s -> s.dose().totalSeconds()));
        return spared >= all / 2;
    }

    /** Whether anything of it falls on what a body must be spared. */
    public static boolean lessThanAll(Sequence sequence, Profile profile, List<ClientNote> notes) {
        return !notes.isEmpty() && !blocked(sequence, profile, notes).isEmpty();
    }

    /** Ids of the steps that do. */
    private static Set<String> blocked(Sequence sequence, Profile profile, List<ClientNote> notes) {
        return Checks.run(sequence, profile, notes).findings().stream()
                .filter(f -> f.rule().equals(ClientNotes.RULE))
                .map(f -> f.where().step())
                .filter(Objects::nonNull)
                .collect(Collectors.toSet());
    }
}
