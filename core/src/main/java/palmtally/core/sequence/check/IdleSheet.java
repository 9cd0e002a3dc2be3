package palmtally.core.sequence.check;

import static palmtally.core.finding.Spoken.number;

import com.google.auto.service.AutoService;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import palmtally.core.Sums;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Lubricant;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Timeline.Span;
import palmtally.core.sequence.Timeline.Transition;

/** Nothing stays open that is not being worked. */
@AutoService(Rule.Source.class)
public final class IdleSheet implements Check {
    public static final Rule RULE =
            new Rule("DRAPE-IDLE", Criterion.DRAPING, Severity.WARN, "Nothing stays open that is not being worked.");

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
        double grace = plan.profile.draping().idleGraceSeconds();
        var spans = plan.timeline.spans();
        var seen = new HashSet<String>();
        for (int i = 0; i < spans.size(); i++) {
            var span = spans.get(i);
            var step = span.stint().step();
            if (span.open().isEmpty()) continue;
            boolean watched = step.depth() > 0;
            double idle = waiting(spans, i) + (watched ? 0 : span.seconds());
            if (idle <= grace + 1e-9 || !seen.add(step.id())) continue;
            var unit = span.open().iterator().next();
            plan.report(
                    RULE,
                    plan.at(span, step.zones().get(0), span.stint().side()),
                    "The " + unit + " lies open and unworked for " + number(idle) + " s around "
                            + plan.number(step).toLowerCase(Locale.ROOT) + "; after " + number(grace)
                            + " s it gets cold and feels forgotten.",
                    "Cover what is not being worked.",
                    watched
                            ? null
                            : new Mend(
                                    "Cover it during " + plan.number(step).toLowerCase(Locale.ROOT),
                                    s -> s.replacing(
                                            step.id(),
                                            x -> x.with(e -> {
                                                e.sheet = Sheet.COVERED;
                                                e.lubricant = Lubricant.DRY;
                                                e.depth = Math.min(e.depth, 1);
                                            }))));
        }
    }

    /** Seconds between the work before and this one with the same unit open: talk, lubricant. Waiting for heat is none of it: the heat is at work. */
    private static double waiting(List<Span> spans, int i) {
        if (i == 0 || !spans.get(i - 1).open().equals(spans.get(i).open())) return 0;
        var t = spans.get(i).transitions();
        if (t.containsKey(Transition.TURN)
                || t.containsKey(Transition.SHEET)
                || t.containsKey(Transition.SENSITIVE_SHEET)) return 0;
        return Sums.of(t.values().stream().mapToDouble(Double::doubleValue));
    }
}
