package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.HashSet;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Saying;
import palmtally.core.sequence.Step;

/** Strong work is announced. */
@AutoService(Rule.Source.class)
public final class Announced implements Check {
    public static final Rule RULE =
            new Rule("COMM-WARN", Criterion.COMMUNICATION, Severity.WARN, "Strong work is announced.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        var known = new HashSet<String>();
        @Nullable Step before = null;
        for (var step : plan.inTime()) {
            boolean said = step.says(SayKind.WARNS)
                    || step.says(SayKind.EXPLAINS)
                    || before != null && before.says(SayKind.WARNS);
            before = step;
            boolean strong = step.technique().strong() && step.depth() > 0;
            if (!strong
                    || !known.add(
                            step.technique().id() + "/" + step.zones().get(0).region())
                    || said) continue;
            plan.report(
                    RULE,
                    Where.step(step.id()),
                    plan.number(step) + " brings " + step.technique().name().toLowerCase(Locale.ROOT)
                            + " unannounced: what comes as a surprise is guarded against.",
                    "Say what is coming before it comes.",
                    new Mend(
                            "Announce it",
                            s -> s.replacing(
                                    step.id(),
                                    x -> x.saying(Saying.of(
                                            SayKind.WARNS, "This may feel strong; tell me and I ease at once.")))));
        }
    }
}
