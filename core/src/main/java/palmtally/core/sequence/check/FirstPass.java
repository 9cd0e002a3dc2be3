package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.HashSet;
import java.util.Locale;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;

/** The first pass over a zone is never the deepest. */
@AutoService(Rule.Source.class)
public final class FirstPass implements Check {
    /** Depth from which a first pass can be too deep at all: 1 and 2 are light whatever follows. */
    private static final int MODERATE = 3;

    public static final Rule RULE =
            new Rule("ORDER-FIRST", Criterion.ORDER, Severity.WARN, "The first pass over a zone is never the deepest.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        var seen = new HashSet<String>();
        for (var entry : plan.over.entrySet()) {
            var worked = entry.getValue().stream()
                    .filter(s -> s.stint().step().depth() > 0)
                    .toList();
            if (worked.size() < 2) continue;
            var span = worked.get(0);
            var step = span.stint().step();
            var later = worked.subList(1, worked.size()).stream()
                    .filter(s -> !s.stint().step().id().equals(step.id()))
                    .mapToInt(s -> s.stint().step().depth())
                    .max();
            // A firm first pass is what ORDER-WARM speaks of, where that rule is on.
            boolean unwarmed = step.depth() >= plan.firm() && plan.profile.severity(WarmUp.RULE) != Severity.OFF;
            if (later.isEmpty()
                    || unwarmed
                    || step.depth() < MODERATE
                    || step.depth() < later.getAsInt()
                    || !seen.add(step.id())) continue;
            int to = Math.max(Math.min(MODERATE, later.getAsInt()) - 1, 1);
            plan.report(
                    RULE,
                    plan.at(span, entry.getKey().zone(), span.stint().side()),
                    plan.number(step) + " is the first pass over "
                            + entry.getKey().zone().label().toLowerCase(Locale.ROOT) + " and at depth "
                            + step.depth()
                            + " as deep as any later one: the first pass asks, a later one may go deeper.",
                    "Start lighter and let a second pass go deeper.",
                    new Mend("Lower to depth " + to, s -> s.replacing(step.id(), x -> x.withDepth(to))));
        }
    }
}
