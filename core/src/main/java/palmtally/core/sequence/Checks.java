package palmtally.core.sequence;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import palmtally.core.finding.Finding;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.people.ClientNote;
import palmtally.core.profile.Profile;

/**
 * What the checks say about a sequence under a profile.
 *
 * @param found gravest first, then in the order of the timeline
 */
public record Checks(Sequence sequence, Profile profile, Timeline timeline, List<Found> found) {
    private static final List<Check> ALL = all();

    private static List<Check> all() {
        var all = new ArrayList<Check>(List.of(
                new OrderChecks.Warm(),
                new OrderChecks.Broad(),
                new OrderChecks.Flush(),
                new OrderChecks.BothSides(),
                new FirstChecks.FirstPass(),
                new FirstChecks.DrySkin(),
                new FirstChecks.LimbOrder(),
                new FirstChecks.Opposing(),
                new TurnCheck(),
                new DoseChecks.Window(),
                new DoseChecks.Cap(),
                new DoseChecks.Rate(),
                new DoseChecks.Slot(),
                new PressureChecks.Ceiling(),
                new PressureChecks.Rise(),
                new PressureChecks.Pointed(),
                new DrapeChecks.Open(),
                new DrapeChecks.Idle(),
                new DrapeChecks.TwoOpen(),
                new DrapeChecks.Secure(),
                new DrapeChecks.End(),
                new DrapeChecks.Scope(),
                new DrapeChecks.CleanHands(),
                new OrderChecks.Ears(),
                new HandChecks.Bare(),
                new HandChecks.Load(),
                new HandChecks.Reach(),
                new HandChecks.Table(),
                new TalkChecks.Consent(),
                new TalkChecks.AfterTool(),
                new TalkChecks.Silence(),
                new TalkChecks.Announced(),
                new TalkChecks.Cues(),
                new TalkChecks.Interview(),
                new TalkChecks.Opening(),
                new TalkChecks.Closing(),
                new ScopeChecks.Taught(),
                new ScopeChecks.Client()));
        all.addAll(PrerequisiteChecks.all());
        return List.copyOf(all);
    }

    /** Every rule that looks at plans, in the order of the rules. */
    public static List<Rule> rules() {
        return ALL.stream().map(Check::rule).distinct().sorted().toList();
    }

    public static Checks run(Sequence sequence, Profile profile) {
        return run(sequence, profile, List.of());
    }

    /** @param notes what the body on the table must be spared */
    public static Checks run(Sequence sequence, Profile profile, List<ClientNote> notes) {
        var plan = new Plan(sequence, profile, notes);
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
