package palmtally.core.practical;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Spoken;
import palmtally.core.practical.Intervals.Stretch;
import palmtally.core.practical.Scored.Part;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.SayKind;
import palmtally.core.technique.Stroke;
import palmtally.core.technique.Tool;

/**
 * Client communication: 100 × the weighted mean of the parts with evidence. Only open and choice questions count against silence
 * and after a tool; a second one only covers time the first already covered, so chatter gains nothing, and as an observation at
 * most one a minute counts. Silence is judged in attended time between first and last touch; where the grader looked away it
 * starts anew.
 */
final class CommunicationScore {
    private static final List<SayKind> OPENING =
            List.of(SayKind.GREETING, SayKind.PURPOSE, SayKind.AREAS_TO_AVOID, SayKind.INVITES_FEEDBACK);
    /** A warning this long before strong work, or this soon into it, still announces it; seconds (ours). */
    private static final long WARN_BEFORE = 30_000;

    private static final long WARN_AFTER = 5_000;
    /** An opening of which no more than this was missed counts as watched, ms (ours). */
    private static final long EYES_LATE = 5_000;

    private static final long MINUTE = 60_000;

    private final Run run;
    private final Profile profile;
    private final Findings findings;
    private final List<Event> says;
    private final List<Event> questions;

    private CommunicationScore(Run run) {
        this.run = run;
        this.profile = run.practical().profile();
        this.findings = new Findings(profile);
        this.says = run.events(EventKind.SAY);
        this.questions = says.stream().filter(CommunicationScore::counts).toList();
    }

    static Scored of(Run run) {
        return new CommunicationScore(run).score();
    }

    /** An open question, a choice, or a question of the interview. A pressure question counts unless it is closed. */
    static boolean counts(Event say) {
        return switch (java.util.Objects.requireNonNull(say.data().saying())) {
            case PRESSURE_QUESTION -> say.data().style() != EventData.Style.CLOSED;
            case CHOICE, INTERVIEW -> true;
            default -> false;
        };
    }

    private Scored score() {
        var w = profile.marking().communication();
        var parts = List.of(
                opening(w.opening()),
                silence(w.silence()),
                toolQuestions(w.toolQuestions()),
                interviews(w.interviews()),
                warningsAndCues(w.warningsAndCues()),
                answers(w.answers()),
                closing(w.closing()));
        var mean = Scored.mean(parts);
        if (mean == null)
            return Scored.unseen(Criterion.COMMUNICATION, "nobody was watching this table", parts, findings.all());
        return new Scored(Criterion.COMMUNICATION, mean, null, true, parts, findings.all(), observations(), null);
    }

    /** Sayings, questions at most one a minute. */
    private int observations() {
        int n = 0;
        long last = -MINUTE;
        for (var say : says) {
            if (counts(say)) {
                if (say.atMs() - last < MINUTE) continue;
                last = say.atMs();
            }
            n++;
        }
        return n;
    }

    private List<String> ids(Set<SayKind> kinds) {
        return says.stream()
                .filter(s -> kinds.contains(s.data().saying()))
                .map(Event::id)
                .toList();
    }

    private static Part unseen(String name, double weight, String why) {
        return new Part(name, null, weight, why, List.of());
    }

    /** Share of the four openings said before the first treating step. */
    private Part opening(double weight) {
        long until = run.done().stream()
                .filter(d -> d.step().phase() == Phase.ISOLATE || d.step().phase() == Phase.TREAT)
                .mapToLong(Run.Done::start)
                .findFirst()
                .orElse(run.end());
        var missing = new ArrayList<String>();
        for (var kind : OPENING)
            if (says.stream().noneMatch(s -> s.data().saying() == kind && s.atMs() <= until))
                missing.add(kind.toString().replace('-', ' '));
        // What is missing may have been said while nobody was watching.
        long hands = run.contacts().stream().mapToLong(Run.Contact::start).min().orElse(until);
        long talk = Math.max(hands, Math.min(until, EYES_LATE));
        long watched = run.attended().and(0, talk).length();
        if (!missing.isEmpty() && (watched == 0 || talk - watched > EYES_LATE))
            return unseen("opening", weight, "the opening was not watched from the start");
        if (!missing.isEmpty())
            findings.add(
                    Rule.COMM_OPEN,
                    null,
                    null,
                    null,
                    0,
                    "Not heard before the treatment: " + String.join(", ", missing) + ".",
                    "Greet, say what will be done and why, ask what to avoid, invite feedback.",
                    ids(Set.copyOf(OPENING)));
        return new Part(
                "opening",
                (4 - missing.size()) / 4.0,
                weight,
                (4 - missing.size()) + " of 4 openings",
                ids(Set.copyOf(OPENING)));
    }

    /** Share of attended hands-on time that lies within the largest silence after a question or after the eyes came. */
    private Part silence(double weight) {
        if (run.contacts().isEmpty()) return unseen("silence", weight, "no hands were seen on the body");
        long from = run.contacts().stream().mapToLong(Run.Contact::start).min().orElse(0);
        long to = run.contacts().stream().mapToLong(Run.Contact::end).max().orElse(0);
        var watched = run.attended().and(from, to);
        if (watched.length() < 1000) return unseen("silence", weight, "nobody was watching");
        long most = Math.round(profile.communication().largestSilenceSeconds() * 1000);
        var covered = new ArrayList<Stretch>();
        for (var s : watched.stretches()) covered.add(new Stretch(s.start(), s.start() + most));
        for (var q : questions) covered.add(new Stretch(q.atMs(), q.atMs() + most));
        var union = Intervals.union(covered);
        long good = 0;
        for (var s : watched.stretches()) {
            good += union.and(s.start(), s.end()).length();
            long clock = s.start();
            for (var c : union.and(s.start(), s.end()).stretches()) {
                gap(clock, c.start(), most);
                clock = c.end();
            }
            gap(clock, s.end(), most);
        }
        double share = (double) good / watched.length();
        return new Part(
                "silence",
                share,
                weight,
                Math.round(100 * share) + " % of " + Spoken.mmss(watched.length() / 1000.0) + " watched lay within "
                        + Spoken.mmss(most / 1000.0) + " of a question",
                questions.stream().map(Event::id).toList());
    }

    private void gap(long start, long end, long most) {
        if (end - start < 1000) return;
        findings.add(
                Rule.COMM_GAP,
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
                .sorted(java.util.Comparator.comparingLong(Run.Contact::start))
                .toList();
        long within = Math.round(profile.communication().toolQuestionSeconds() * 1000);
        @Nullable Tool before = null;
        int due = 0;
        int asked = 0;
        var events = new ArrayList<String>();
        for (var c : contacts) {
            var tool = c.tool();
            if (tool == null || (c.depth() != null && c.depth() < 2)) continue;
            boolean heavier = before != null && tool.heavierOrMorePointedThan(before);
            before = tool;
            if (!heavier) continue;
            var question = questions.stream()
                    .filter(q -> q.atMs() >= c.start() && q.atMs() <= c.start() + within)
                    .findFirst();
            if (question.isEmpty() && !run.attended().covers(c.start(), Math.min(c.start() + within, run.end())))
                continue;
            due++;
            events.add(c.event());
            if (question.isPresent()) {
                asked++;
                events.add(question.get().id());
            } else
                findings.add(
                        Rule.COMM_TOOL,
                        c.step(),
                        c.zone(),
                        c.side(),
                        c.start(),
                        "The " + tool.label() + " came in at " + Spoken.mmss(c.start() / 1000.0)
                                + " and nobody asked within " + within / 1000 + " s.",
                        "Ask once the new tool has arrived.",
                        List.of(c.event()));
        }
        if (due == 0) return unseen("tool questions", weight, "no heavier or more pointed tool was watched coming in");
        return new Part(
                "tool questions",
                (double) asked / due,
                weight,
                asked + " of " + due + " heavier or more pointed tools were asked about",
                events);
    }

    /** Of each trigger-point step watched: the longest run of interview questions in order, of four. */
    private Part interviews(double weight) {
        double sum = 0;
        int n = 0;
        var events = new ArrayList<String>();
        for (var d : run.done()) {
            if (d.step().library().stroke() != Stroke.TRIGGER_POINT) continue;
            var asked = says.stream()
                    .filter(s -> s.data().saying() == SayKind.INTERVIEW
                            && s.data().number() != null
                            && s.atMs() >= d.start()
                            && s.atMs() <= d.end())
                    .toList();
            int inOrder = longestAscending(asked.stream()
                    .map(s -> java.util.Objects.requireNonNull(s.data().number()))
                    .toList());
            // What is missing may have been asked while nobody was watching.
            if (inOrder < 4 && !run.attended().covers(d.start(), d.end())) continue;
            n++;
            sum += inOrder / 4.0;
            events.add(d.event());
            asked.forEach(a -> events.add(a.id()));
            if (inOrder < 4)
                findings.add(
                        Rule.COMM_INTERVIEW,
                        d.step(),
                        d.step().zones().get(0),
                        d.side(),
                        d.start(),
                        inOrder + " of the 4 interview questions came in order.",
                        "Tender? What number? Does it travel? Is it easing, what number now?",
                        asked.stream().map(Event::id).toList());
        }
        if (n == 0) return unseen("interviews", weight, "no trigger-point step was watched");
        return new Part("interviews", sum / n, weight, n + " trigger-point interviews", events);
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
        for (var d : run.done()) {
            boolean watched = run.attended().contains(d.start());
            if (d.step().library().strong()) {
                var warned =
                        heard(Set.of(SayKind.WARNS, SayKind.EXPLAINS), d.start() - WARN_BEFORE, d.start() + WARN_AFTER);
                if (warned != null || watched) {
                    n++;
                    events.add(d.event());
                    if (warned != null) {
                        sum++;
                        events.add(warned);
                    } else
                        findings.add(
                                Rule.COMM_WARN,
                                d.step(),
                                null,
                                d.side(),
                                d.start(),
                                "“" + d.step().name() + "” began unannounced.",
                                "Say what comes before strong or unusual work.",
                                List.of(d.event()));
                }
            }
            if (d.step().effort().needsCues()) {
                var ready = heard(Set.of(SayKind.READY_CUE), d.start() - WARN_AFTER, d.end());
                var relax = heard(Set.of(SayKind.RELAX_CUE), d.start(), d.end() + WARN_AFTER);
                if (ready != null || relax != null || watched) {
                    n++;
                    sum += (ready != null ? 0.5 : 0) + (relax != null ? 0.5 : 0);
                    events.add(d.event());
                    if (ready == null || relax == null)
                        findings.add(
                                Rule.COMM_CUE,
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
                }
            }
        }
        if (n == 0) return unseen("warnings and cues", weight, "nothing strong or active was watched");
        return new Part(
                "warnings and cues", sum / n, weight, Spoken.number(sum) + " of " + n + " announced or cued", events);
    }

    private @Nullable String heard(Set<SayKind> kinds, long from, long to) {
        return says.stream()
                .filter(s -> kinds.contains(s.data().saying()) && s.atMs() >= from && s.atMs() <= to)
                .map(Event::id)
                .findFirst()
                .orElse(null);
    }

    private Part answers(double weight) {
        var answered = PressureScore.answers(run).stream()
                .filter(a -> a.credit() != null)
                .toList();
        var vague = run.events(EventKind.REPLY).stream()
                .filter(r -> Boolean.FALSE.equals(r.data().clear()))
                .toList();
        int n = answered.size() + vague.size();
        if (n == 0) return unseen("answers", weight, "nothing asked for an answer");
        double sum = answered.stream()
                        .mapToDouble(a -> a.credit() == null ? 0 : a.credit())
                        .sum()
                + vague.stream()
                        .filter(r -> Boolean.TRUE.equals(r.data().followedUp()))
                        .count();
        var events = new ArrayList<String>();
        answered.forEach(a -> events.add(a.report().id()));
        vague.forEach(r -> events.add(r.id()));
        return new Part(
                "answers",
                sum / n,
                weight,
                n + " reports over the band and vague replies, and what was made of them",
                events);
    }

    private Part closing(double weight) {
        var said = ids(Set.of(SayKind.CLOSING));
        if (said.isEmpty() && !run.attended().covers(Math.max(0, run.end() - 1000), run.end()))
            return unseen("closing", weight, "nobody was watching the end");
        if (said.isEmpty())
            findings.add(
                    Rule.COMM_CLOSE,
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
