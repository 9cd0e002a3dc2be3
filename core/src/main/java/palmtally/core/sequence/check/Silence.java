package palmtally.core.sequence.check;

import static palmtally.core.finding.Spoken.mmss;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.hipparchus.util.FastMath;
import org.jspecify.annotations.Nullable;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Saying;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Timeline;
import palmtally.core.sequence.Timeline.Span;

/** The longest planned time without a question about pressure, from the first touch to the last. */
@AutoService(Rule.Source.class)
public final class Silence implements Check {
    public static final Rule RULE =
            new Rule("COMM-GAP", Criterion.COMMUNICATION, Severity.WARN, "No silence longer than the profile allows.");

    private record Gap(double from, double to) {
        double seconds() {
            return to - from;
        }
    }

    @Override
    public Rule rule() {
        return RULE;
    }

    private static List<Gap> gaps(List<Span> spans, double limit) {
        var touching = spans.stream().filter(s -> s.stint().step().depth() > 0).toList();
        if (touching.isEmpty()) return List.of();
        double from = touching.get(0).start();
        double end = touching.stream().mapToDouble(Span::end).max().orElse(from);
        var asks = new ArrayList<Double>();
        for (var span : spans)
            for (var say : span.stint().step().say()) if (say.asks()) asks.add(span.start() + say.atSeconds());
        asks.sort(null);
        asks.add(end);
        var gaps = new ArrayList<Gap>();
        for (double ask : asks) {
            if (ask - from > limit + 1e-9) gaps.add(new Gap(from, ask));
            from = Math.max(from, ask);
        }
        return gaps;
    }

    @Override
    public void look(Plan plan) {
        double limit = plan.profile.communication().largestSilenceSeconds();
        var gaps = gaps(plan.timeline.spans(), limit);
        if (gaps.isEmpty()) return;
        var longest = gaps.stream()
                .max(java.util.Comparator.comparingDouble(Gap::seconds))
                .orElseThrow();
        var at = FastMath.round(longest.from() * 1000);
        plan.report(
                RULE,
                Where.at(at),
                "From " + mmss(longest.from()) + " nobody asks how it feels for " + mmss(longest.seconds())
                        + "; at most "
                        + mmss(limit) + (gaps.size() > 1 ? " (" + gaps.size() + " such silences)" : "")
                        + ": what hurts is not always said unasked.",
                "Ask about pressure in between.",
                new Mend("Ask at least every " + mmss(limit), s -> asking(s, plan, limit)));
    }

    /** Questions put in one after another, each as late as the limit allows, until no silence is too long. */
    private static Sequence asking(Sequence sequence, Plan plan, double limit) {
        var s = sequence;
        for (int i = 0; i < Sequence.MOST_STEPS; i++) {
            var changed = asking(s, plan, Timeline.of(s, plan.profile).spans(), limit);
            if (changed.isEmpty()) return s;
            s = changed.get();
        }
        return s;
    }

    /** One question more, in the first silence that can take one; nothing where there is none. */
    private static Optional<Sequence> asking(Sequence s, Plan plan, List<Span> spans, double limit) {
        for (var gap : gaps(spans, limit)) {
            double ask = gap.from()
                    + Math.max(1, limit - 2 * plan.profile.transitions().question());
            var span = on(spans, ask);
            double offset = Math.max(0, Math.min(Math.floor(ask - span.start()), Math.floor(span.seconds() - 1)));
            var question = new Saying(SayKind.PRESSURE_QUESTION, "How is this pressure, as a number?", offset);
            if (!span.stint().step().say().contains(question))
                return Optional.of(s.replacing(span.stint().step().id(), x -> x.saying(question)));
        }
        return Optional.empty();
    }

    /** What is on at a moment, a hand rather than a pack; else what began last before it. */
    private static Span on(List<Span> spans, double at) {
        var begun = spans.get(0);
        @Nullable Span on = null;
        for (var span : spans) {
            if (span.start() > at) continue;
            begun = span;
            boolean hand = span.stint().step().depth() > 0;
            if (span.end() >= at && (hand || on == null)) on = span;
        }
        return on == null ? begun : on;
    }
}
