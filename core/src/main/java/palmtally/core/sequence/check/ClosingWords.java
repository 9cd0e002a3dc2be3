package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Saying;

/** A closing word and a re-check. */
@AutoService(Rule.Source.class)
public final class ClosingWords implements Check {
    public static final Rule RULE =
            new Rule("COMM-CLOSE", Criterion.COMMUNICATION, Severity.HINT, "A closing word and a re-check.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        var steps = plan.inTime();
        int n = steps.size();
        if (steps.subList(Math.max(0, n - 2), n).stream().anyMatch(s -> s.says(SayKind.CLOSING))) return;
        var last = steps.get(n - 1);
        plan.report(
                RULE,
                Where.step(last.id()),
                "The treatment ends without a word: the client does not know that it is over.",
                "Say that it is over, and how to get up.",
                new Mend(
                        "Add a closing word",
                        s -> s.replacing(
                                last.id(),
                                x -> x.saying(Saying.of(SayKind.CLOSING, "That was it. Take your time getting up.")))));
    }
}
