package palmtally.core.sequence;

import java.util.HashSet;
import java.util.List;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Region;
import palmtally.core.finding.Rule;
import palmtally.core.profile.Profile.ConsentMoment;
import palmtally.core.sequence.Timeline.Span;
import palmtally.core.technique.Tool;

/** Checks of what is asked and when (common practice, no source). */
final class TalkChecks {
    private TalkChecks() {}

    /**
     * Permission for a sensitive region, skin or sheet. At the moment: asked in the first step that touches it, or in the one
     * before. At the start, confirmed: asked while settling or assessing, and again in that first step. Each side that is opened
     * anew asks anew because the step is repeated with its words.
     */
    static final class Consent implements Check {
        @Override
        public Rule rule() {
            return Rule.CONSENT_BEFORE;
        }

        @Override
        public void look(Plan plan) {
            boolean atStart = plan.profile.draping().consent() == ConsentMoment.AT_THE_START_CONFIRMED;
            var spans = plan.timeline.spans();
            boolean askedAtStart = spans.stream()
                    .map(s -> s.stint().step())
                    .anyMatch(s -> (s.phase() == Phase.SETTLE || s.phase() == Phase.ASSESS) && asksConsent(s));
            var done = new HashSet<Region>();
            for (int i = 0; i < spans.size(); i++) {
                var span = spans.get(i);
                var step = span.stint().step();
                if (step.depth() == 0 || step.sheet() == Sheet.COVERED && step.depth() <= 1) continue;
                for (var zone : step.zones()) {
                    if (!plan.profile.draping().sensitive().contains(zone) || !done.add(zone.region())) continue;
                    boolean now = asksConsent(step)
                            || (i > 0
                                    && !atStart
                                    && asksConsent(spans.get(i - 1).stint().step()));
                    if (now && (!atStart || askedAtStart)) continue;
                    var first = spans.get(0).stint().step();
                    plan.report(
                            rule(),
                            plan.at(span, zone, null),
                            plan.number(step) + " touches " + zone.label().toLowerCase()
                                    + (now
                                            ? ", confirmed at the moment but never asked at the start, as this school does."
                                            : " without asking first: it is the client's to give, with its scope, and to withdraw."),
                            "Ask: which zone, skin or through the sheet; a no or a change of mind is always fine.",
                            new Mend("Ask before " + plan.number(step).toLowerCase(), s -> {
                                var asked = now ? s : s.replacing(step.id(), x -> x.saying(question(zone.label())));
                                return atStart && !askedAtStart ? askAtStart(asked, first, zone.label()) : asked;
                            }));
                }
            }
        }

        private static boolean asksConsent(Step step) {
            return step.say().stream().anyMatch(s -> s.kind() == SayKind.CONSENT);
        }

        private static Saying question(String zone) {
            return Saying.of(
                    SayKind.CONSENT, "May I work on the " + zone.toLowerCase() + ", with the sheet or without?");
        }

        private static Sequence askAtStart(Sequence s, Step first, String zone) {
            if (first.phase() == Phase.SETTLE || first.phase() == Phase.ASSESS)
                return s.replacing(first.id(), x -> x.saying(question(zone)));
            var ask = new Step(
                    s.freshId("ask"),
                    "Agree areas and sheet",
                    "still-hold",
                    List.of(palmtally.core.body.Zone.UPPER_BACK),
                    Sides.BOTH,
                    Tool.PALM,
                    null,
                    null,
                    1,
                    null,
                    palmtally.core.technique.Dose.seconds(20),
                    null,
                    null,
                    null,
                    null,
                    Lubricant.DRY,
                    Sheet.THROUGH,
                    first.position(),
                    palmtally.core.technique.Technique.Effort.PASSIVE,
                    Stance.HORSE,
                    List.of(question(zone)),
                    Phase.SETTLE,
                    Importance.MUST,
                    List.of());
            return s.inserting(first.id(), ask, 0);
        }
    }

    static final class AfterTool implements Check {
        @Override
        public Rule rule() {
            return Rule.COMM_TOOL;
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
                        rule(),
                        plan.at(span, null, span.stint().side()),
                        plan.number(step) + " brings in the " + step.tool().label()
                                + " and stays silent: nobody has asked how it feels within " + Math.round(within)
                                + " s.",
                        "Ask an open question once the new tool has arrived.",
                        new Mend(
                                "Ask at 0:10 of " + plan.number(step).toLowerCase(),
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
}
