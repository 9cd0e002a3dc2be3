package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import org.hipparchus.util.FastMath;
import org.jspecify.annotations.Nullable;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Saying;
import palmtally.core.sequence.Timeline.Span;
import palmtally.core.technique.Tool;

/** A question about pressure after each heavier or more pointed tool. */
@AutoService(Rule.Source.class)
public final class AskAfterTool implements Check {
    public static final Rule RULE = new Rule(
            "COMM-TOOL",
            Criterion.COMMUNICATION,
            Severity.WARN,
            "A question about pressure after each heavier or more pointed tool.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        double within = plan.profile.communication().toolQuestionSeconds();
        var seen = new HashSet<String>();
        @Nullable Tool before = null;
        List<Span> spans = plan.timeline.spans();
        for (int i = 0; i < spans.size(); i++) {
            var span = spans.get(i);
            var step = span.stint().step();
            boolean heavier = before != null && step.tool().heavierOrMorePointedThan(before) && step.depth() >= 2;
            before = step.tool();
            if (!heavier || asked(spans, i, span.start(), within) || !seen.add(step.id())) continue;
            plan.report(
                    RULE,
                    plan.at(span, null, span.stint().side()),
                    plan.number(step) + " brings in the " + step.handWords()
                            + " and stays silent: nobody has asked how it feels within " + FastMath.round(within)
                            + " s.",
                    "Ask an open question once the new tool has arrived.",
                    new Mend(
                            "Ask at 0:10 of " + plan.number(step).toLowerCase(Locale.ROOT),
                            s -> s.replacing(
                                    step.id(),
                                    x -> x.saying(new Saying(
                                            SayKind.PRESSURE_QUESTION,
                                            "How is this pressure, as a number?",
                                            Math.min(10, within))))));
        }
    }

    private static boolean asked(List<Span> spans, int from, double start, double within) {
        for (int i = from; i < spans.size() && spans.get(i).start() <= start + within; i++)
            for (var say : spans.get(i).stint().step().say())
                if (say.asks() && spans.get(i).start() + say.atSeconds() <= start + within + 1e-9) return true;
        return false;
    }
}
