package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.HashSet;
import java.util.Objects;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.DrapePoint;
import palmtally.core.sequence.Saying;
import palmtally.core.sequence.Step;

/** The edge of the sheet is rolled under, never over. */
@AutoService(Rule.Source.class)
public final class RolledUnder implements Check {
    public static final Rule RULE = new Rule(
            "DRAPE-EDGE",
            Criterion.DRAPING,
            Severity.WARN,
            "The edge of the sheet is rolled under, never over: an edge on top opens when the limb moves.");

    private static final String EDGE = "(?:edges?|sheets?|drapes?|linen)";
    private static final Pattern OVER = Pattern.compile(
            "\\b(?:roll|fold)(?:s|ed|ing)?\\s+(?:the\\s+|its\\s+)?" + EDGE + "\\s+(?:back\\s+)?over\\b"
                    + "|\\b" + EDGE + "\\s+(?:is\\s+|are\\s+)?rolled\\s+over\\b"
                    + "|\\broll(?:s|ed|ing)?\\s+over\\s+(?:the\\s+|its\\s+)?" + EDGE + "\\b",
            Pattern.CASE_INSENSITIVE);

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public boolean aboutSheet() {
        return true;
    }

    @Override
    public void look(Plan plan) {
        var seen = new HashSet<String>();
        for (var span : plan.timeline.spans()) {
            var step = span.stint().step();
            if (seen.add(step.id()) && words(step).anyMatch(RolledUnder::rolledOver))
                plan.report(
                        RULE,
                        plan.at(span, step.zones().get(0), null),
                        plan.number(step)
                                + " rolls the edge of the sheet over: it lies loose on top and opens with the limb.",
                        DrapePoint.ROLLED_UNDER.words() + ".",
                        null);
        }
    }

    /** Most that is said has no "over" in it, which is soon seen. */
    private static boolean rolledOver(String words) {
        return (words.indexOf('v') >= 0 || words.indexOf('V') >= 0)
                && OVER.matcher(words).find();
    }

    private static Stream<String> words(Step step) {
        var detail = step.details();
        return Stream.of(
                        Stream.of(step.name()),
                        step.say().stream().map(Saying::words),
                        Stream.of(detail.note(), detail.why()),
                        detail.words().values().stream())
                .flatMap(s -> s)
                .filter(Objects::nonNull);
    }
}
