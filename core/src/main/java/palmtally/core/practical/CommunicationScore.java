package palmtally.core.practical;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.hipparchus.util.FastMath;
import org.jspecify.annotations.Nullable;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Spoken;
import palmtally.core.practical.Intervals.Stretch;
import palmtally.core.practical.Run.Moment;
import palmtally.core.practical.Scored.Part;
import palmtally.core.practical.event.Event;
import palmtally.core.practical.event.Reply;
import palmtally.core.practical.event.Report;
import palmtally.core.practical.event.Say;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Stint;
import palmtally.core.sequence.check.Announced;
import palmtally.core.sequence.check.AskAfterTool;
import palmtally.core.sequence.check.ClosingWords;
import palmtally.core.sequence.check.Cues;
import palmtally.core.sequence.check.Interview;
import palmtally.core.sequence.check.OpeningWords;
import palmtally.core.sequence.check.Silence;
import palmtally.core.technique.Stroke;
import palmtally.core.technique.Tool;

/**
 * Client communication: 100 × the weighted mean of what could be heard. What was heard counts whenever it was; that something was
 * missing only where the whole of its moment was watched by somebody who listens for its kind. Only open and choice questions count,
 * an interview's too; a number or a reply that is heard stands for the question before it, unless it was volunteered. A second
 * question only covers time the first already covered, so chatter gains nothing.
 */
final class CommunicationScore {
    /** A warning this long before strong work, or this soon into it, still announces it; ms (ours). */
    private static final long WARN_BEFORE = 30_000;

    private static final long WARN_AFTER = 5_000;

    private final Run run;
    private final Profile profile;
    private final Findings findings;
    private final Heard heard;
    private final List<Moment<Say>> says;
    private final List<Moment<?>> questions;
    /** From the first to the last moment of each stint that was done, and what was tapped of it. */
    private final Map<Stint.Key, List<Run.Done>> stints = new LinkedHashMap<>();
    /** Chances to speak that were watched or taken, and all there were. */
    private int chances;

    private int due;

    private CommunicationScore(Run run) {
        this.run = run;
        this.profile = run.practical().profile();
        this.findings = new Findings(profile);
        this.heard = new Heard(run);
        this.says = run.all(Say.class);
        this.questions = questions(run);
        for (var d : run.done())
            stints.computeIfAbsent(d.key(), k -> new ArrayList<>()).add(d);
    }

    static Scored of(Run run) {
        return new CommunicationScore(run).score();
    }

    /** What the client was asked, in order; what was answered stands for its question. */
    static List<Moment<?>> questions(Run run) {
        var questions = new ArrayList<Moment<?>>();
        for (var s : run.all(Say.class)) if (s.of().asks()) questions.add(s);
        for (var r : run.all(Report.class)) if (r.of().wasAsked()) questions.add(r);
        for (var r : run.all(Reply.class)) if (r.of().wasAsked()) questions.add(r);
        questions.sort(Comparator.comparing(Moment::event, Event.ORDER));
        return questions;
    }

    /** Since when no question was heard, as far as hands are on and somebody watches when the log ends; a question in between ends it. */
    static Optional<Long> silentSince(Run run) {
        var watched = run.watchedSince().orElse(null);
        var hands = run.contacts().stream().mapToLong(Run.Touch::start).min();
        if (watched == null || hands.isEmpty()) return Optional.empty();
        var questions = questions(run);
        long asked =
                questions.isEmpty() ? 0 : questions.get(questions.size() - 1).atMs();
        return Optional.of(Math.max(asked, Math.max(watched, hands.getAsLong())));
    }

    private Scored score() {
        var w = profile.marking().communication();
        var parts = List.of(
                opening(w.opening()),
                silence(w.silence()),
                toolQuestions(w.toolQuestions()),
                interviews(w.interviews()),
                warningsAndCues(w.warningsAndCues()),
                replies(w.answers()),
                closing(w.closing()));
        // A report over the band wants a word too; how soon it was eased is pressure's.
        for (var r : run.all(Report.class))
            if (r.of().number()
                    > PressureScore.band(
                                    profile,
                                    run.about(r.atMs()).map(Run.Done::step).orElse(null))
                            .high()) {
                if (r.of().wasAsked() || run.attended().contains(r.atMs())) taken();
                else due++;
            }
        var mean = Scored.mean(parts);
        return Scored.of(
                        run.practical(),
                        new Scored.Rests(Criterion.COMMUNICATION, mean == null ? 0 : chances, due, "chances to speak"),
                        mean == null ? 0 : mean,
                        parts,
                        findings.all(),
                        null)
                .waitingFor(heard.questions());
    }

    /** A chance to speak that was watched, or was taken. */
    private void taken() {
        chances++;
        due++;
    }

    private List<String> ids(Set<SayKind> kinds) {
        return says.stream()
                .filter(s -> kinds.contains(s.of().saying()))
                .map(Moment::id)
                .toList();
    }

    private static Part unseen(String name, double weight, String why) {
        return new Part(name, null, weight, why, List.of());
    }

    /** Share of the four openings said before the first treating step; watched from the start to the first contact, settling aside. */
    private Part opening(double weight) {
        if (!run.practical().extent().opening()) return unseen("opening", weight, "the opening was not asked");
        long until = run.done().stream()
                .filter(d -> d.step().phase() == Phase.ISOLATE || d.step().phase() == Phase.TREAT)
                .mapToLong(Run.Done::start)
                .findFirst()
                .orElse(run.end());
        var missing = EnumSet.copyOf(Listening.OPENINGS);
        for (var s : says) if (s.atMs() <= until) missing.remove(s.of().saying());
        long hands = run.contacts().stream()
                .filter(c -> c.step() == null || c.step().phase() != Phase.SETTLE)
                .mapToLong(Run.Touch::start)
                .min()
                .orElse(run.end());
        long talk = Math.max(hands, Math.min(until, Heard.GLANCE_MS));
        if (!missing.isEmpty() && (talk <= 0 || !heard.missingButForAGlance(Listening.OPENING, 0, talk))) {
            due++;
            return unseen("opening", weight, "the opening was not watched from the start");
        }
        taken();
        var said = ids(Listening.OPENINGS);
        if (!missing.isEmpty())
            findings.add(
                    OpeningWords.RULE,
                    null,
                    null,
                    null,
                    0,
                    "Not heard before the treatment: "
                            + String.join(
                                    ", ",
                                    missing.stream()
                                            .map(k -> k.toString().replace('-', ' '))
                                            .toList())
                            + ".",
                    "Greet, say what will be done and why, ask what to avoid, invite feedback.",
                    said);
        return new Part("opening", (4 - missing.size()) / 4.0, weight, (4 - missing.size()) + " of 4 openings", said);
    }

    /**
     * Share of the watched time with hands on that lies within the largest silence after a question. A watched stretch counts from its
     * first question, or after one largest silence.
     */
    private Part silence(double weight) {
        if (run.contacts().isEmpty()) return unseen("silence", weight, "no hands were seen on the body");
        long from = run.contacts().stream().mapToLong(Run.Touch::start).min().orElse(0);
        long to = run.contacts().stream().mapToLong(Run.Touch::end).max().orElse(0);
        long most = FastMath.round(profile.communication().largestSilenceSeconds() * 1000);
        due += (int) ((to - from) / most);
        var attended = run.attended().and(from, to);
        var listened = run.listened(Listening.QUESTIONS).and(from, to);
        if (listened.isEmpty()) {
            attended.bridging(Heard.GLANCE_MS).stretches().stream()
                    .filter(s -> s.length() > most)
                    .findFirst()
                    .ifPresent(s -> heard.ask(Listening.QUESTIONS, s.start()));
            return unseen(
                    "silence", weight, attended.isEmpty() ? "nobody was watching" : "nobody listened for questions");
        }
        chances += (int) (listened.length() / most);
        var near = Intervals.union(questions.stream()
                .map(q -> new Stretch(q.atMs(), q.atMs() + most))
                .toList());
        long counted = 0;
        long good = 0;
        for (var s : listened.bridging(Heard.GLANCE_MS).stretches()) {
            long begin = Math.min(firstQuestion(s.start(), s.start() + most), s.end());
            counted += listened.length(begin, s.end());
            long clock = begin;
            for (var c : near.and(begin, s.end()).stretches()) {
                good += listened.length(c.start(), c.end());
                gap(clock, c.start(), most);
                clock = c.end();
            }
            gap(clock, s.end(), most);
        }
        if (counted == 0)
            return unseen(
                    "silence", weight, "nobody watched for longer than a silence of " + Spoken.mmss(most / 1000.0));
        double share = (double) good / counted;
        return new Part(
                "silence",
                share,
                weight,
                FastMath.round(100 * share) + " % of " + Spoken.mmss(counted / 1000.0) + " watched lay within "
                        + Spoken.mmss(most / 1000.0) + " of a question",
                questions.stream().map(Moment::id).toList());
    }

    /** The first question at a moment or after, or the latest moment it may be at. */
    private long firstQuestion(long from, long latest) {
        int i = Sorted.firstAt(questions, from);
        return i < questions.size() ? Math.min(latest, questions.get(i).atMs()) : latest;
    }

    private void gap(long start, long end, long most) {
        if (end - start < 1000) return;
        findings.add(
                Silence.RULE,
                run.at(start).map(Run.Done::step).orElse(null),
                null,
                null,
                start,
                "No question for " + Spoken.mmss((end - start + most) / 1000.0) + " up to " + Spoken.mmss(end / 1000.0)
                        + "; the profile allows " + Spoken.mmss(most / 1000.0) + ".",
                "Ask an open question: what number is this, would you like more, less, or stay?",
                List.of());
    }

    /** Share of changes to a heavier or more pointed tool that a question follows in time. */
    private Part toolQuestions(double weight) {
        var contacts = run.contacts().stream()
                .sorted(Comparator.comparingLong(Run.Touch::start))
                .toList();
        long within = FastMath.round(profile.communication().toolQuestionSeconds() * 1000);
        @Nullable Tool before = null;
        int judged = 0;
        int asked = 0;
        var events = new ArrayList<String>();
        for (var c : contacts) {
            var tool = c.tool();
            if (tool == null || light(c)) continue;
            boolean heavier = before != null && tool.heavierOrMorePointedThan(before);
            before = tool;
            if (!heavier) continue;
            int i = Sorted.firstAt(questions, c.start());
            boolean question = i < questions.size() && questions.get(i).atMs() <= c.start() + within;
            if (!question && !heard.missing(Listening.QUESTIONS, c.start(), Math.min(c.start() + within, run.end()))) {
                due++;
                continue;
            }
            taken();
            judged++;
            events.add(c.event());
            if (question) {
                asked++;
                events.add(questions.get(i).id());
            } else
                findings.add(
                        AskAfterTool.RULE,
                        c.step(),
                        c.zone(),
                        c.side(),
                        c.start(),
                        "The " + tool.label() + " came in at " + Spoken.mmss(c.start() / 1000.0)
                                + " and nobody asked within " + within / 1000 + " s.",
                        "Ask once the new tool has arrived.",
                        List.of(c.event()));
        }
        if (judged == 0)
            return unseen("tool questions", weight, "no heavier or more pointed tool was watched coming in");
        return new Part(
                "tool questions",
                (double) asked / judged,
                weight,
                asked + " of " + judged + " heavier or more pointed tools were asked about",
                events);
    }

    /** Whether a tool only rests there: by the plan, where a step is on, so that who works lighter than planned asks no less. */
    private static boolean light(Run.Touch c) {
        Integer depth = c.step() == null ? c.depth() : Integer.valueOf(c.step().depth());
        return depth != null && depth < 2;
    }

    /** Of each trigger-point step watched: the longest run of interview questions in order, of four. */
    private Part interviews(double weight) {
        double sum = 0;
        int n = 0;
        var events = new ArrayList<String>();
        var all = says.stream()
                .filter(s -> s.of().saying() == SayKind.INTERVIEW && s.of().number() != null)
                .toList();
        for (var doings : stints.values()) {
            var first = doings.get(0);
            if (first.step().technique().stroke() != Stroke.TRIGGER_POINT) continue;
            var asked = new ArrayList<Moment<Say>>();
            for (var d : doings)
                asked.addAll(all.subList(Sorted.firstAt(all, d.start()), Sorted.firstAt(all, d.end() + 1)));
            int inOrder = longestAscending(asked.stream()
                    .map(s -> Objects.requireNonNull(s.of().number()))
                    .toList());
            boolean watched = true;
            if (inOrder < 4) for (var d : doings) watched &= heard.missing(Listening.INTERVIEWS, d.start(), d.end());
            if (!watched) {
                due++;
                continue;
            }
            taken();
            n++;
            sum += inOrder / 4.0;
            events.add(first.event());
            asked.forEach(a -> events.add(a.id()));
            if (inOrder < 4)
                findings.add(
                        Interview.RULE,
                        first.step(),
                        first.step().zones().get(0),
                        first.side(),
                        first.start(),
                        inOrder + " of the 4 interview questions came in order.",
                        "Tender? What number? Does it travel? Is it easing, what number now?",
                        asked.stream().map(Moment::id).toList());
        }
        if (n == 0) return unseen("interviews", weight, "no trigger-point step was watched");
        return new Part("interviews", sum / n, weight, Spoken.counted(n, "trigger-point interview"), events);
    }

    private static int longestAscending(List<Integer> numbers) {
        int[] best = new int[6];
        for (int x : numbers) {
            int b = 0;
            for (int y = 0; y < x; y++) b = Math.max(b, best[y]);
            best[x] = Math.max(best[x], b + 1);
        }
        int most = 0;
        for (int b : best) most = Math.max(most, b);
        return most;
    }

    /** Share of strong steps announced, and of the client's own movements with a ready cue and a relax cue. */
    private Part warningsAndCues(double weight) {
        double sum = 0;
        int n = 0;
        var events = new ArrayList<String>();
        var warnings = spoken(Listening.WARNINGS);
        var readies = spoken(Set.of(SayKind.READY_CUE));
        var relaxes = spoken(Set.of(SayKind.RELAX_CUE));
        for (var doings : stints.values()) {
            var d = doings.get(0);
            long end = doings.stream().mapToLong(Run.Done::end).max().orElse(d.end());
            if (d.step().technique().strong()) {
                long from = Math.max(0, d.start() - WARN_BEFORE);
                long to = Math.min(run.end(), d.start() + WARN_AFTER);
                var warned = between(warnings, from, d.start() + WARN_AFTER);
                if (warned != null || heard.missing(Listening.WARNINGS_AND_CUES, from, to)) {
                    taken();
                    n++;
                    events.add(d.event());
                    if (warned != null) {
                        sum++;
                        events.add(warned);
                    } else
                        findings.add(
                                Announced.RULE,
                                d.step(),
                                null,
                                d.side(),
                                d.start(),
                                "“" + d.step().name() + "” began unannounced.",
                                "Say what comes before strong or unusual work.",
                                List.of(d.event()));
                } else due++;
            }
            if (d.step().effort().needsCues()) {
                long from = Math.max(0, d.start() - WARN_AFTER);
                long to = Math.min(run.end(), end + WARN_AFTER);
                var ready = between(readies, from, end);
                var relax = between(relaxes, d.start(), end + WARN_AFTER);
                if (ready != null && relax != null || heard.missing(Listening.WARNINGS_AND_CUES, from, to)) {
                    taken();
                    n++;
                    sum += (ready != null ? 0.5 : 0) + (relax != null ? 0.5 : 0);
                    events.add(d.event());
                    if (ready != null) events.add(ready);
                    if (relax != null) events.add(relax);
                    if (ready == null || relax == null)
                        findings.add(
                                Cues.RULE,
                                d.step(),
                                null,
                                d.side(),
                                d.start(),
                                "“" + d.step().name() + "” had "
                                        + (ready == null
                                                ? relax == null ? "neither a ready nor a relax cue" : "no ready cue"
                                                : "no relax cue")
                                        + ".",
                                "Tell the client when to begin and when to let go.",
                                List.of(d.event()));
                } else due++;
            }
        }
        if (n == 0) return unseen("warnings and cues", weight, "nothing strong or active was watched");
        return new Part(
                "warnings and cues", sum / n, weight, Spoken.number(sum) + " of " + n + " announced or cued", events);
    }

    private List<Moment<Say>> spoken(Set<SayKind> kinds) {
        return says.stream().filter(s -> kinds.contains(s.of().saying())).toList();
    }

    /** The first of some between two moments, both included. */
    private static @Nullable String between(List<Moment<Say>> some, long from, long to) {
        int i = Sorted.firstAt(some, from);
        return i < some.size() && some.get(i).atMs() <= to ? some.get(i).id() : null;
    }

    /** Share of the vague replies that were asked after; that they were may be tapped with them or as a word of its own. */
    private Part replies(double weight) {
        int n = 0;
        int followed = 0;
        var events = new ArrayList<String>();
        @Nullable Moment<Reply> open = null;
        for (var r : run.all(Reply.class)) {
            if (r.of().clear()) continue;
            events.add(r.id());
            if (r.of().vagueAndLeft()) {
                if (open != null) left(open);
                open = r;
                n++;
                continue;
            }
            if (open == null) n++;
            open = null;
            followed++;
        }
        if (open != null) left(open);
        if (n == 0) return unseen("vague replies", weight, "no vague reply was heard");
        for (int i = 0; i < n; i++) taken();
        return new Part(
                "vague replies",
                (double) followed / n,
                weight,
                followed + " of " + Spoken.counted(n, "vague reply", "vague replies") + " asked after",
                events);
    }

    private void left(Moment<Reply> vague) {
        findings.add(
                RunRules.COMM_REPLY,
                run.about(vague.atMs()).map(Run.Done::step).orElse(null),
                null,
                null,
                vague.atMs(),
                "A vague reply at " + Spoken.mmss(vague.atMs() / 1000.0) + " was left as it was.",
                "Ask again: what number is it, does it travel, is it easing?",
                List.of(vague.id()));
    }

    private Part closing(double weight) {
        if (!run.practical().extent().closing()) return unseen("closing", weight, "the closing was not asked");
        var said = ids(Set.of(SayKind.CLOSING));
        long hands = run.contacts().stream().mapToLong(Run.Touch::end).max().orElse(0);
        long from = Math.max(0, Math.min(hands, run.end() - 1000));
        if (said.isEmpty() && !heard.missing(Listening.CLOSING, from, run.end())) {
            due++;
            return unseen("closing", weight, "the end was not watched");
        }
        taken();
        if (said.isEmpty())
            findings.add(
                    ClosingWords.RULE,
                    null,
                    null,
                    null,
                    run.end(),
                    "It ended without a closing word.",
                    "Close, re-check, and let the client wake.",
                    List.of());
        return new Part(
                "closing", said.isEmpty() ? 0.0 : 1.0, weight, said.isEmpty() ? "no closing word" : "closed", said);
    }
}
