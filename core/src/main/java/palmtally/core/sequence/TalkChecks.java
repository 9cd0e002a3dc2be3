package palmtally.core.sequence;

import static palmtally.core.finding.Spoken.mmss;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Region;
import palmtally.core.body.Zone;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.profile.Profile.ConsentMoment;
import palmtally.core.profile.Ways;
import palmtally.core.sequence.Timeline.Span;
import palmtally.core.technique.Stroke;
import palmtally.core.technique.Technique.Effort;
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
                            plan.number(step) + " touches " + zone.label().toLowerCase(Locale.ROOT)
                                    + (now
                                            ? ", confirmed at the moment but never asked at the start, as this school does."
                                            : " without asking first: it is the client's to give, with its scope, and to withdraw."),
                            "Ask: which zone, skin or through the sheet; a no or a change of mind is always fine.",
                            new Mend("Ask before " + plan.number(step).toLowerCase(Locale.ROOT), s -> {
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
                    SayKind.CONSENT,
                    "May I work on the " + zone.toLowerCase(Locale.ROOT) + ", with the sheet or without?");
        }

        private static Sequence askAtStart(Sequence s, Step first, String zone) {
            if (first.phase() == Phase.SETTLE || first.phase() == Phase.ASSESS)
                return s.replacing(first.id(), x -> x.saying(question(zone)));
            var ask = first.with(e -> {
                e.made(s.freshId("ask"), "Agree areas and sheet", "still-hold", Tool.PALM, 1, 20, Phase.SETTLE);
                e.zones = List.of(Zone.UPPER_BACK);
                e.side = Sides.BOTH;
                e.lubricant = Lubricant.DRY;
                e.sheet = Sheet.THROUGH;
                e.say.add(question(zone));
                e.importance = Importance.MUST;
            });
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

    /** The longest planned time without a question about pressure, from the first touch to the last. */
    static final class Silence implements Check {
        private record Gap(double from, double to) {
            double seconds() {
                return to - from;
            }
        }

        @Override
        public Rule rule() {
            return Rule.COMM_GAP;
        }

        private static List<Gap> gaps(List<Span> spans, double limit) {
            var touching =
                    spans.stream().filter(s -> s.stint().step().depth() > 0).toList();
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
            var at = Math.round(longest.from() * 1000);
            plan.report(
                    rule(),
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
                var spans = Timeline.of(s, plan.profile).spans();
                var gaps = gaps(spans, limit);
                if (gaps.isEmpty()) return s;
                double ask = gaps.get(0).from()
                        + Math.max(1, limit - 2 * plan.profile.transitions().question());
                var span = spans.get(0);
                for (var candidate : spans)
                    if (candidate.start() <= ask && candidate.stint().step().depth() > 0) span = candidate;
                double offset = Math.max(0, Math.min(Math.floor(ask - span.start()), Math.floor(span.seconds() - 1)));
                s = s.replacing(
                        span.stint().step().id(),
                        x -> x.saying(
                                new Saying(SayKind.PRESSURE_QUESTION, "How is this pressure, as a number?", offset)));
            }
            return s;
        }
    }

    static final class Announced implements Check {
        @Override
        public Rule rule() {
            return Rule.COMM_WARN;
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
                boolean strong = step.library().strong() && step.depth() > 0;
                if (!strong
                        || !known.add(
                                step.technique() + "/" + step.zones().get(0).region())
                        || said) continue;
                plan.report(
                        rule(),
                        Where.step(step.id()),
                        plan.number(step) + " brings " + step.library().name().toLowerCase(Locale.ROOT)
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

    static final class Cues implements Check {
        @Override
        public Rule rule() {
            return Rule.COMM_CUE;
        }

        @Override
        public void look(Plan plan) {
            var way = plan.profile.ways().clientPart();
            for (var step : plan.steps) {
                var where = Where.step(step.id());
                if (way == Ways.ClientPart.PASSIVE && PrerequisiteChecks.moves(step)) {
                    plan.report(
                            rule(),
                            where,
                            plan.number(step) + " lets the client move; this school keeps the client passive.",
                            "Move the limb for the client.",
                            new Mend(
                                    "Keep the client passive",
                                    s -> s.replacing(step.id(), x -> x.with(e -> e.effort = Effort.PASSIVE))));
                } else if (way == Ways.ClientPart.ACTIVE
                        && PrerequisiteChecks.lengthening(step)
                        && step.effort() == Effort.PASSIVE) {
                    plan.report(
                            rule(),
                            where,
                            plan.number(step) + " lengthens a passive client; in this school the client moves.",
                            "Let the client make the movement, with a ready cue and a relax cue.",
                            new Mend(
                                    "Let the client move",
                                    s -> s.replacing(step.id(), x -> cued(x.with(e -> e.effort = Effort.ACTIVE)))));
                } else if (step.effort().needsCues() && !(step.says(SayKind.READY_CUE) && step.says(SayKind.RELAX_CUE)))
                    plan.report(
                            rule(),
                            where,
                            plan.number(step)
                                    + " asks the client to move without a ready cue and a relax cue: nobody knows when it starts and when it is over.",
                            "Say when to start and when to let go.",
                            new Mend("Add ready and relax cue", s -> s.replacing(step.id(), Cues::cued)));
            }
        }

        private static Step cued(Step step) {
            var x = step.says(SayKind.READY_CUE) ? step : step.saying(Saying.of(SayKind.READY_CUE, "Ready? And now."));
            return x.says(SayKind.RELAX_CUE)
                    ? x
                    : x.saying(new Saying(
                            SayKind.RELAX_CUE,
                            "And let go.",
                            Math.floor(Math.min(x.dose().totalSeconds(), 3600))));
        }
    }

    /** Questions around a hold, as the school decides its end. */
    static final class Interview implements Check {
        @Override
        public Rule rule() {
            return Rule.COMM_INTERVIEW;
        }

        @Override
        public void look(Plan plan) {
            int need = switch (plan.profile.ways().decides()) {
                case TOUCH -> 0;
                case REPORT -> 1;
                case BOTH -> 2;
            };
            for (var step : plan.steps) {
                if (step.library().stroke() != Stroke.TRIGGER_POINT || step.depth() == 0) continue;
                long asked = step.say().stream()
                        .filter(s -> s.kind() == SayKind.INTERVIEW)
                        .count();
                if (asked >= need) continue;
                plan.report(
                        rule(),
                        Where.step(step.id()),
                        plan.number(step) + " holds a point and "
                                + (asked == 0 ? "asks nothing" : "asks only once")
                                + "; in this school the client's number "
                                + (need == 1
                                        ? "ends a hold."
                                        : "before and as it eases ends a hold, together with what the hand feels."),
                        "Ask whether it is tender, what number, whether it travels, and whether it is easing.",
                        new Mend(
                                "Add the interview",
                                s -> s.replacing(step.id(), x -> {
                                    var y = asked > 0
                                            ? x
                                            : x.saying(Saying.of(
                                                    SayKind.INTERVIEW,
                                                    "Is it tender? What number, 0 to 10? Does it travel?"));
                                    return need < 2
                                            ? y
                                            : y.saying(
                                                    new Saying(SayKind.INTERVIEW, "Is it easing: what number now?", 5));
                                })));
            }
        }
    }

    static final class Opening implements Check {
        @Override
        public Rule rule() {
            return Rule.COMM_OPEN;
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
                    rule(),
                    Where.step(first.id()),
                    "The opening leaves out: "
                            + missing.stream().map(Opening::name).collect(Collectors.joining(", "))
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

    static final class Closing implements Check {
        @Override
        public Rule rule() {
            return Rule.COMM_CLOSE;
        }

        @Override
        public void look(Plan plan) {
            var steps = plan.inTime();
            int n = steps.size();
            if (steps.subList(Math.max(0, n - 2), n).stream().anyMatch(s -> s.says(SayKind.CLOSING))) return;
            var last = steps.get(n - 1);
            plan.report(
                    rule(),
                    Where.step(last.id()),
                    "The treatment ends without a word: the client does not know that it is over.",
                    "Say that it is over, and how to get up.",
                    new Mend(
                            "Add a closing word",
                            s -> s.replacing(
                                    last.id(),
                                    x -> x.saying(
                                            Saying.of(SayKind.CLOSING, "That was it. Take your time getting up.")))));
        }
    }
}
