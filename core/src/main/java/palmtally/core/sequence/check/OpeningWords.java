package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.EnumSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Saying;

/** Opening: greet, purpose, areas to avoid, invite feedback. */
@AutoService(Rule.Source.class)
public final class OpeningWords implements Check {
    public static final Rule RULE = new Rule(
            "COMM-OPEN",
            Criterion.COMMUNICATION,
            Severity.WARN,
            "Opening: greet, purpose, areas to avoid, invite feedback.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        var said = EnumSet.noneOf(SayKind.class);
        for (var step : plan.inTime()) {
            step.say().forEach(s -> said.add(s.kind()));
            if (step.depth() >= 2) break;
        }
        var missing = Stream.of(SayKind.values())
                .filter(k -> k.opens() && !said.contains(k))
                .toList();
        if (missing.isEmpty()) return;
        var first = plan.inTime().get(0);
        plan.report(
                RULE,
                Where.step(first.id()),
                "The opening leaves out: "
                        + missing.stream().map(OpeningWords::name).collect(Collectors.joining(", "))
                        + ". A client who knows what will be done and may speak up is safer.",
                "Greet, say what will be done and why, ask what to avoid, and invite feedback.",
                new Mend("Add to the opening", s -> {
                    var result = s;
                    for (var kind : missing)
                        result = result.replacing(first.id(), x -> x.saying(Saying.of(kind, words(kind))));
                    return result;
                }));
    }

    private static String name(SayKind kind) {
        return switch (kind) {
            case GREETING -> "greeting";
            case PURPOSE -> "what will be done and why";
            case AREAS_TO_AVOID -> "pain, injuries and areas to avoid";
            default -> "inviting feedback";
        };
    }

    private static String words(SayKind kind) {
        return switch (kind) {
            case GREETING -> "Hello, I am your therapist today.";
            case PURPOSE -> "This is what I am going to do, and why.";
            case AREAS_TO_AVOID -> "Any pain, injuries, allergies or places to avoid?";
            default -> "Tell me at any time if it is too much.";
        };
    }
}
