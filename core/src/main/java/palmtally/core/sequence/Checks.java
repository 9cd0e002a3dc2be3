package palmtally.core.sequence;

import java.util.Comparator;
import java.util.List;
import palmtally.core.finding.Finding;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Profile;

/**
 * What the checks say about a sequence under a profile.
 *
 * @param found gravest first, then in the order of the timeline
 */
public record Checks(Sequence sequence, Profile profile, Timeline timeline, List<Found> found) {
    private static final List<Check> ALL = List.of(
            new OrderChecks.Warm(),
            new OrderChecks.Broad(),
            new OrderChecks.Flush(),
            new OrderChecks.BothSides(),
            new DoseChecks.Window(),
            new DoseChecks.Rate(),
            new DoseChecks.Slot(),
            new PressureChecks.Ceiling(),
            new PressureChecks.Rise(),
            new TalkChecks.Consent(),
            new TalkChecks.AfterTool());

    public static Checks run(Sequence sequence, Profile profile) {
        var plan = new Plan(sequence, profile);
        for (var check : ALL) if (profile.severity(check.rule()) != Severity.OFF) check.look(plan);
        plan.found.sort(Comparator.comparing((Found f) -> f.finding().severity())
                .reversed()
                .thenComparing(f -> f.finding().where().atMs() == null
                        ? Long.MAX_VALUE
                        : f.finding().where().atMs())
                .thenComparing(f -> f.finding().rule()));
        return new Checks(sequence, profile, plan.timeline, List.copyOf(plan.found));
    }

    public List<Finding> findings() {
        return found.stream().map(Found::finding).toList();
    }

    /**
     * The sequence after the mend of the finding with this key.
     *
     * @throws IllegalArgumentException if there is no such finding, or none that can be mended
     */
    public Sequence mended(String key) {
        return found.stream()
                .filter(f -> f.finding().key().equals(key))
                .findFirst()
                .flatMap(Found::mend)
                .map(m -> m.apply(sequence))
                .orElseThrow(() -> new IllegalArgumentException("no finding '" + key + "' with a mend"));
    }
}
