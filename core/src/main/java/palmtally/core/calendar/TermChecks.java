package palmtally.core.calendar;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import palmtally.core.Sums;
import palmtally.core.body.Region;
import palmtally.core.calendar.TermFinding.TermMend;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;

/**
 * What the checks say about a term under a profile.
 *
 * @param findings gravest first, then in the order of the term
 */
public record TermChecks(Curriculum term, Coverage coverage, List<TermFinding> findings) {
    /** One rule over a term. */
    interface Look {
        void look(TermPlan plan);
    }

    private static final Map<Rule, Look> ALL = Map.ofEntries(
            Map.entry(TermRules.TAUGHT, LessonChecks::taught),
            Map.entry(TermRules.PRACTISED, LessonChecks::practised),
            Map.entry(TermRules.ASSESSED, LessonChecks::assessed),
            Map.entry(TermRules.AGAIN, LessonChecks::metAgain),
            Map.entry(TermRules.FULL, RoomChecks::full),
            Map.entry(TermRules.HOURS, RoomChecks::hours),
            Map.entry(TermRules.SEQUENCE, RoomChecks::sequence),
            Map.entry(TermRules.COVER, RoomChecks::cover),
            Map.entry(TermRules.PREREQ_JAW_AFTER_NECK, LessonChecks::jawAfterNeck),
            Map.entry(TermRules.PREREQ_FRONT_AFTER_BACK_OF_NECK, LessonChecks::frontAfterBackOfNeck),
            Map.entry(TermRules.PREREQ_GLUTEAL_AFTER_DRAPES, LessonChecks::glutealAfterDrapes));

    /** Every rule that looks at terms, in the order of the rules. */
    public static List<Rule> rules() {
        return ALL.keySet().stream().sorted().toList();
    }

    /** @param sequences those that lessons may name; a name that is not among them is a finding */
    public static TermChecks run(Curriculum term, Collection<Sequence> sequences, Profile profile) {
        var facts = new SequenceFacts(sequences, profile);
        var plan = looked(term, facts, profile);
        var mended = new ArrayList<TermFinding>();
        for (var finding : plan.found) {
            var proposal = plan.proposals.get(finding.key());
            mended.add(finding.with(
                    proposal == null
                            ? null
                            : proposal.get()
                                    .filter(m -> mends(finding, plan, m, facts, profile))
                                    .findFirst()
                                    .orElse(null)));
        }
        mended.sort(Comparator.comparing(TermFinding::severity)
                .reversed()
                .thenComparing(f ->
                        f.where().week() == null ? Integer.MAX_VALUE : f.where().week())
                .thenComparing(TermFinding::rule));
        return new TermChecks(term, Coverage.of(term, facts.byId(), profile), List.copyOf(mended));
    }

    private static TermPlan looked(Curriculum term, SequenceFacts facts, Profile profile) {
        var plan = new TermPlan(term, profile, facts);
        for (var rule : rules())
            if (profile.severity(rule) != Severity.OFF) ALL.get(rule).look(plan);
        return plan;
    }

    /** Whether an edit removes a finding, raises no stop, and leaves the whole no worse than it was. */
    private static boolean mends(
            TermFinding finding, TermPlan before, TermMend mend, SequenceFacts facts, Profile profile) {
        var after = looked(mend.mended(), facts, profile);
        var had = new HashSet<String>();
        before.found.forEach(f -> had.add(f.key()));
        for (var f : after.found) {
            if (f.key().equals(finding.key())) return false;
            if (f.severity() == Severity.STOP && !had.contains(f.key())) return false;
        }
        return weight(after) <= weight(before);
    }

    /** A stop outweighs the warnings that its mend may bring: a region that is now taught is not yet assessed. */
    private static int weight(TermPlan plan) {
        return plan.found.stream()
                .mapToInt(f -> f.severity() == Severity.STOP ? 5 : f.severity() == Severity.WARN ? 1 : 0)
                .sum();
    }

    /** Hours planned for a region. */
    public double hours(Region region) {
        return Sums.of(term.lessons().stream().filter(l -> l.region() == region).mapToDouble(Lesson::minutes)) / 60;
    }
}
