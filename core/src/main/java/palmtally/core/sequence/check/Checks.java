package palmtally.core.sequence.check;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import palmtally.core.finding.Finding;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.people.ClientNote;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Timeline;

/**
 * What the checks say about a sequence under a profile.
 *
 * @param found gravest first, then in the order of the timeline
 */
public record Checks(Sequence sequence, Profile profile, Timeline timeline, List<Found> found) {
    private static final List<Check> ALL = Rule.sources().stream()
            .filter(Check.class::isInstance)
            .map(Check.class::cast)
            .sorted(Comparator.comparing(Check::rule))
            .toList();

    /** Every check, in the order of its rule. */
    static List<Check> all() {
        return ALL;
    }

    /** Every rule that looks at plans, in the order of the rules. */
    public static List<Rule> rules() {
        return ALL.stream().map(Check::rule).toList();
    }

    /** The rules of the shape "first before then" that a school has on. */
    public static List<Before> prerequisites(Profile profile) {
        return ALL.stream()
                .filter(c -> profile.severity(c.rule()) != Severity.OFF)
                .filter(Before.class::isInstance)
                .map(Before.class::cast)
                .toList();
    }

    /** The finding of a key, where it was found. */
    public Optional<Found> found(String key) {
        return found.stream().filter(f -> f.finding().key().equals(key)).findFirst();
    }

    public static Checks run(Sequence sequence, Profile profile) {
        return run(sequence, profile, List.of());
    }

    /** @param notes what the body on the table must be spared */
    public static Checks run(Sequence sequence, Profile profile, List<ClientNote> notes) {
        var plan = new Plan(sequence, profile, notes);
        for (var check : ALL)
            if (profile.severity(check.rule()) != Severity.OFF && !(plan.clothed() && check.aboutSheet()))
                check.look(plan);
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
