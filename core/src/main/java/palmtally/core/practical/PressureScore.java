package palmtally.core.practical;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.hipparchus.util.FastMath;
import org.jspecify.annotations.Nullable;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.finding.Spoken;
import palmtally.core.practical.Run.Moment;
import palmtally.core.practical.Scored.Part;
import palmtally.core.practical.event.Guarding;
import palmtally.core.practical.event.RateTap;
import palmtally.core.practical.event.Report;
import palmtally.core.practical.event.ReportAnswer;
import palmtally.core.practical.event.ReportAnswer.Response;
import palmtally.core.practical.event.StrokeFault;
import palmtally.core.practical.event.StrokeFault.Flaw;
import palmtally.core.profile.Band;
import palmtally.core.profile.Marking;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.DoseWindow;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Stint;
import palmtally.core.sequence.check.DoseInWindow;
import palmtally.core.sequence.check.DoseRate;
import palmtally.core.sequence.check.SiteCeiling;
import palmtally.core.technique.DoseTable;

/**
 * Pressure control: 100 × the weighted mean of reports, depth, holds and rate, less what is taken off, at most its caps. Reports in the
 * band of their step count 1, one grade under ½, further 0; those over the band are not in this mean but cost their price × (1 − credit
 * of the answer). Depth as it was seen against the plan's: equal 1, one grade off ½, more 0. Holds and rate: 1 inside the dose window, ½
 * within a quarter of it. Each grade over what a site takes costs its price.
 */
final class PressureScore {
    /** Share around a planned hold that counts as the window where the dose table has none (ours). */
    private static final double AROUND_PLAN = 0.2;
    /** An answer is to every report over the band of so long before, ms. */
    private static final long ANSWERS_MS = 30_000;
    /** From so many of a kind, and more than half of them, a cap binds. */
    private static final int REPEATED = 3;
    /** Steps planned at this depth or deeper show light hands. */
    private static final int WORKING_DEPTH = 3;
    /** A client who guards says without words a number so far over the band. */
    private static final int GUARDING_OVER = 2;

    private final Run run;
    private final Profile profile;
    private final Marking.PressureParts marks;
    private final Findings findings;
    private final Heard heard;
    private final List<Said> said = new ArrayList<>();
    private final List<DepthLook> depths = new ArrayList<>();
    private double price;

    private PressureScore(Run run) {
        this.run = run;
        this.profile = run.practical().profile();
        this.marks = profile.marking().pressure();
        this.findings = new Findings(profile);
        this.heard = new Heard(run);
    }

    static Scored of(Run run) {
        return new PressureScore(run).score();
    }

    /** What the client said of the pressure, in words or by guarding against it. */
    private record Said(Moment<?> moment, int number, Band band, Run.@Nullable Done done, boolean guarding) {
        int over() {
            return Math.max(0, number - band.high());
        }

        long atMs() {
            return moment.atMs();
        }

        @Nullable
        Step step() {
            return done == null ? null : done.step();
        }

        String told() {
            return (guarding ? "The client guarded" : "The client said " + number) + " at "
                    + Spoken.mmss(atMs() / 1000.0);
        }
    }

    /**
     * A depth that was seen.
     *
     * @param off grades deeper than the plan, negative where it was lighter
     * @param measured whether a depth was named, and not only that it was too light or too deep
     */
    private record DepthLook(String event, long atMs, Run.@Nullable Done done, Step step, int off, boolean measured) {
        boolean tooLight() {
            return measured ? off <= -2 : off < 0;
        }

        boolean tooDeep() {
            return measured ? off >= 2 : off > 0;
        }
    }

    static Band band(Profile profile, @Nullable Step step) {
        return step == null ? profile.pressure().warmBand() : step.bandUnder(profile);
    }

    private Scored score() {
        said();
        depthLooks();
        var parts = new ArrayList<>(
                List.of(reports(marks.reports()), depth(marks.depth()), holds(marks.holds()), rate(marks.rate())));
        answers();
        ceilings();
        double mean = java.util.Objects.requireNonNullElse(Scored.mean(parts), 0.0);
        double score = Math.max(0, mean - price);
        if (price > 0)
            parts.add(new Part(
                    "taken off",
                    -price / 100,
                    1,
                    Spoken.number(price)
                            + " points for reports over the band that were not eased in time, and for depth that a"
                            + " site does not take",
                    List.of()));
        score = Math.min(score, cap(parts));
        var rests = new Scored.Rests(Criterion.PRESSURE, said.size() + depths.size(), due(), "reports and depths");
        return Scored.of(run.practical(), rests, score, parts, findings.all(), null)
                .waitingFor(heard.questions());
    }

    /** Of each stint that was asked and done, one report or depth falls due. */
    private int due() {
        var asked =
                new HashSet<>(run.practical().brief().stream().map(Stint::key).toList());
        return (int) run.done().stream()
                .map(Run.Done::key)
                .distinct()
                .filter(asked::contains)
                .count();
    }

    private void said() {
        for (var r : run.all(Report.class)) {
            var done = run.about(r.atMs()).orElse(null);
            said.add(new Said(r, r.of().number(), band(profile, done == null ? null : done.step()), done, false));
        }
        for (var g : run.all(Guarding.class)) {
            var done = run.about(g.atMs()).orElse(null);
            var band = band(profile, done == null ? null : done.step());
            said.add(new Said(g, band.high() + GUARDING_OVER, band, done, true));
        }
        said.sort(Comparator.comparingLong(Said::atMs));
    }

    private void depthLooks() {
        var counted = new HashSet<String>();
        for (var c : run.contacts()) {
            var step = c.step();
            if (c.seenDepth() == null || step == null || run.inBreak(c.start()) || !counted.add(c.event())) continue;
            depths.add(new DepthLook(
                    c.event(), c.start(), run.at(c.start()).orElse(null), step, c.seenDepth() - step.depth(), true));
        }
        for (var f : run.all(StrokeFault.class)) {
            int off = f.of().flaw() == Flaw.TOO_LIGHT ? -1 : f.of().flaw() == Flaw.TOO_DEEP ? 1 : 0;
            var done = run.about(f.atMs()).orElse(null);
            if (off != 0 && done != null) depths.add(new DepthLook(f.id(), f.atMs(), done, done.step(), off, false));
        }
        depths.sort(Comparator.comparingLong(DepthLook::atMs));
    }

    private Part reports(double weight) {
        double sum = 0;
        int n = 0;
        for (var s : said) {
            if (s.over() > 0) continue;
            int under = s.band.distance(s.number);
            sum += under == 0 ? 1 : under == 1 ? 0.5 : 0;
            n++;
            if (under > 0)
                finding(
                        RunRules.PRESS_BAND,
                        s,
                        s.told() + "; this step aims at " + s.band + ", so it reaches less than it is meant to.",
                        "Offer a little more, and ask again.",
                        List.of(s.moment.id()));
        }
        return new Part(
                "reports",
                said.isEmpty() ? null : Double.valueOf(n == 0 ? 0.5 : sum / n),
                weight,
                said.isEmpty()
                        ? "the client was never heard to say a number"
                        : n == 0
                                ? "every report was over the band of its step"
                                : Spoken.counted(n, "report") + " against the band of their step, those over it apart",
                said.stream().map(s -> s.moment.id()).toList());
    }

    private void finding(Rule rule, Said s, String sentence, String remedy, List<String> events) {
        findings.add(rule, s.step(), null, s.done == null ? null : s.done.side(), s.atMs(), sentence, remedy, events);
    }

    private Part depth(double weight) {
        double sum = 0;
        for (var d : depths) {
            int off = Math.abs(d.off);
            sum += off == 0 ? 1 : off == 1 ? 0.5 : 0;
            if (off == 0) continue;
            findings.atMost(
                    off == 1 ? Severity.HINT : Severity.WARN,
                    RunRules.PRESS_DEPTH,
                    d.step,
                    null,
                    d.done == null ? null : d.done.side(),
                    d.atMs,
                    "“" + d.step.name() + "” was "
                            + (d.measured
                                    ? "at depth " + (d.step.depth() + d.off)
                                    : d.off < 0 ? "too light" : "too deep")
                            + " at " + Spoken.mmss(d.atMs / 1000.0) + "; the plan asks depth " + d.step.depth() + ".",
                    d.off < 0
                            ? "Sink in slowly with the body’s weight until the tissue answers."
                            : "Ease, and let the tissue lead.",
                    List.of(d.event));
        }
        return new Part(
                "depth",
                depths.isEmpty() ? null : Double.valueOf(sum / depths.size()),
                weight,
                depths.isEmpty()
                        ? "no depth was seen"
                        : Spoken.counted(depths.size(), "depth") + " that were seen, against the plan’s",
                depths.stream().map(DepthLook::event).toList());
    }

    /** What each report over its band costs, by how soon it was answered. */
    private void answers() {
        var responses = run.all(ReportAnswer.class);
        var eased = responses.stream()
                .filter(r -> r.of().response() != Response.NONE)
                .toList();
        var none = responses.stream()
                .filter(r -> r.of().response() == Response.NONE)
                .toList();
        var later = laterOnTheStep();
        for (int i = 0; i < said.size(); i++) {
            var s = said.get(i);
            if (s.over() == 0) continue;
            var answer = within(eased, s.moment);
            var nothing = answer == null ? within(none, s.moment) : null;
            boolean missing = answer == null && nothing == null && missing(s);
            var next = later.get(i);
            @Nullable Double credit;
            if (answer != null) credit = credit(watched(s.moment, answer));
            else if (nothing != null || missing) credit = 0.0;
            else credit = next == null ? null : Double.valueOf(next.over() > 0 ? 0 : 1);
            double off = credit == null ? 0 : 1 - credit;
            price += off * (s.over() == 1 ? marks.overByOnePrice() : marks.overPrice());
            if (credit == null) heavy(s);
            else if (credit < 1) {
                var events = new ArrayList<>(List.of(s.moment.id()));
                String what;
                if (answer != null) {
                    what = late(s, answer);
                    events.add(answer.id());
                } else if (nothing != null) {
                    what = "nothing was done about it";
                    events.add(nothing.id());
                } else if (missing || next == null) {
                    what = "no answer was seen within "
                            + Spoken.number(profile.marking().answerNothingSeconds()) + " s";
                } else {
                    what = "it was over the band again at " + Spoken.mmss(next.atMs() / 1000.0);
                    events.add(next.moment.id());
                }
                unanswered(s, answer != null ? Severity.WARN : Severity.STOP, what, events);
            }
        }
    }

    /** For each report the next one on the same step and side, or null. */
    private List<@Nullable Said> laterOnTheStep() {
        Map<Stint.Key, Said> next = new HashMap<>();
        var later = new ArrayList<@Nullable Said>(java.util.Collections.nCopies(said.size(), null));
        for (int i = said.size() - 1; i >= 0; i--) {
            var done = said.get(i).done;
            if (done != null) later.set(i, next.put(done.key(), said.get(i)));
        }
        return later;
    }

    /** The first answer after a report, of those that are still to it. */
    private static @Nullable Moment<ReportAnswer> within(List<Moment<ReportAnswer>> answers, Moment<?> report) {
        int i = Sorted.first(answers, a -> a.after(report));
        return i < answers.size() && answers.get(i).atMs() - report.atMs() <= ANSWERS_MS ? answers.get(i) : null;
    }

    /** Whether it was watched for an answer, and none came. */
    private boolean missing(Said s) {
        long until = s.atMs() + FastMath.round(profile.marking().answerNothingSeconds() * 1000);
        return until <= run.end() && heard.missing(Listening.ANSWERS, s.atMs(), until);
    }

    /** How long the answer took of the time that was watched: it may have come while the grader was elsewhere, ms. */
    private long watched(Moment<?> report, Moment<?> answer) {
        return run.attended().length(report.atMs(), answer.atMs());
    }

    /** 1 up to the full time plus allowance, then a straight line to 0. */
    private double credit(long lateMs) {
        double full = profile.marking().answerFullSeconds() + profile.marking().answerAllowanceSeconds();
        double none = profile.marking().answerNothingSeconds();
        double late = lateMs / 1000.0;
        if (late <= full) return 1;
        return Math.max(0, (none - late) / (none - full));
    }

    private String late(Said s, Moment<ReportAnswer> answer) {
        double full = profile.marking().answerFullSeconds() + profile.marking().answerAllowanceSeconds();
        return "it was answered after " + Spoken.number(watched(s.moment, answer) / 1000.0) + " s, later than "
                + Spoken.number(full) + " s";
    }

    /** Over the band, and nobody can say whether it was eased. */
    private void heavy(Said s) {
        finding(
                RunRules.PRESS_BAND,
                s,
                s.told() + "; this step aims at " + s.band + ", and more than that makes the tissue guard.",
                "Start lighter, or go slower or broader.",
                List.of(s.moment.id()));
    }

    private void unanswered(Said s, Severity most, String what, List<String> events) {
        findings.atMost(
                most,
                RunRules.PRESS_ANSWER,
                s.step(),
                null,
                s.done == null ? null : s.done.side(),
                s.atMs(),
                s.told() + " and " + what + ".",
                "Ease at once, let it settle, ask, come back slower or broader.",
                events);
    }

    /** What each touch deeper than its site takes costs; one touch of several zones by the worst of them. */
    private void ceilings() {
        Map<String, Integer> over = new HashMap<>();
        for (var c : run.contacts()) {
            if (!c.seen() || run.inBreak(c.start())) continue;
            int ceiling = profile.pressure().ceiling(c.zone());
            // A site that is forbidden is so however deep: a touch of it that says no depth is one.
            var depth = c.seenDepth() == null && ceiling == 0 ? Integer.valueOf(1) : c.seenDepth();
            if (depth == null || depth <= ceiling) continue;
            over.merge(c.event(), c.seenDepth() == null ? 0 : depth - ceiling, Math::max);
            ceiling(c, depth, ceiling);
        }
        price += marks.ceilingPrice()
                * over.values().stream().mapToInt(Integer::intValue).sum();
    }

    private void ceiling(Run.Touch c, int depth, int ceiling) {
        boolean named = profile.pressure().names(c.zone());
        var why = c.zone().ceiling().map(z -> ": " + z.why()).orElse(named ? " at this school" : "");
        var sentence = (c.seenDepth() == null ? "Touched " : "Depth " + depth + " on ")
                + c.zone().label().toLowerCase(Locale.ROOT) + " at " + Spoken.mmss(c.start() / 1000.0)
                + "; this site takes " + ceiling + " at most" + why + ".";
        var events = List.of(c.event());
        if (ceiling == 0)
            findings.critical(
                    SiteCeiling.RULE, c.step(), c.zone(), c.side(), c.start(), sentence, "Keep off this site.", events);
        else
            findings.atMost(
                    named ? Severity.STOP : Severity.HINT,
                    SiteCeiling.RULE,
                    c.step(),
                    c.zone(),
                    c.side(),
                    c.start(),
                    named ? sentence : sentence + " No ceiling is listed for it; that is the school's own limit.",
                    "Lighten before reaching this site.",
                    events);
    }

    /** The most that this can come to, and says why where that is less than everything. */
    private double cap(List<Part> parts) {
        double cap = 100;
        var deep = depths.stream()
                .filter(d -> d.measured && d.step.depth() >= WORKING_DEPTH)
                .toList();
        cap = Math.min(
                cap,
                cap(
                        parts,
                        deep.stream().filter(d -> Math.abs(d.off) >= 2).count(),
                        deep.size(),
                        marks.offCap(),
                        "depths were two grades or more off the plan"));
        cap = Math.min(
                cap,
                cap(
                        parts,
                        depths.stream().filter(DepthLook::tooLight).count(),
                        depths.size(),
                        marks.oneSidedCap(),
                        "depths were too light"));
        cap = Math.min(
                cap,
                cap(
                        parts,
                        depths.stream().filter(DepthLook::tooDeep).count(),
                        depths.size(),
                        marks.oneSidedCap(),
                        "depths were too deep"));
        int steps = 0;
        int over = 0;
        Set<Stint.Key> met = new HashSet<>();
        for (var s : said)
            if (s.done != null && met.add(s.done.key())) {
                steps++;
                if (s.over() > 0) over++;
            }
        return Math.min(cap, cap(parts, over, steps, marks.begunOverCap(), "steps began over the band"));
    }

    private static double cap(List<Part> parts, long of, int all, double cap, String what) {
        if (of < REPEATED || 2 * of <= all) return 100;
        parts.add(new Part(
                "at most",
                cap / 100,
                0,
                of + " of " + all + " " + what + ": at most " + Spoken.number(cap),
                List.of()));
        return cap;
    }

    private Part holds(double weight) {
        var events = new ArrayList<String>();
        double sum = 0;
        for (var hold : run.holds()) {
            var step = hold.step();
            var window = step == null ? null : window(step);
            if (step == null || window == null) continue;
            double seconds = (hold.end() - hold.start()) / 1000.0;
            double credit = window.credit(seconds);
            sum += credit;
            events.add(hold.event());
            if (credit < 1)
                findings.add(
                        DoseInWindow.RULE,
                        step,
                        null,
                        null,
                        hold.start(),
                        "A hold of " + Spoken.number(seconds) + " s at " + Spoken.mmss(hold.start() / 1000.0)
                                + "; this step wants " + Spoken.number(window.least()) + " to "
                                + Spoken.number(window.most()) + " s.",
                        seconds < window.least()
                                ? "Stay until the tissue answers."
                                : "No change by then: ease, change the angle, move on.",
                        List.of(hold.event()));
        }
        return new Part(
                "holds",
                events.isEmpty() ? null : Double.valueOf(sum / events.size()),
                weight,
                events.isEmpty() ? "no hold was timed" : events.size() + " holds against their window",
                events);
    }

    private static double planned(Step step) {
        var seconds = step.dose().seconds();
        return seconds != null ? seconds : step.dose().totalSeconds();
    }

    private @Nullable DoseWindow window(Step step) {
        return DoseWindow.of(step, profile)
                .filter(w -> w.per() == DoseTable.Per.HOLD)
                .orElseGet(() -> DoseWindow.around(planned(step), AROUND_PLAN));
    }

    /** Taps of one step in a row, at least three, make one rate: (taps − 1) ÷ time, a second; too fast is one that earns nothing. */
    private Part rate(double weight) {
        var events = new ArrayList<String>();
        double sum = 0;
        int n = 0;
        for (var f : run.all(StrokeFault.class)) {
            if (f.of().flaw() != Flaw.TOO_FAST) continue;
            var done = run.about(f.atMs());
            n++;
            events.add(f.id());
            findings.add(
                    DoseRate.RULE,
                    done.map(Run.Done::step).orElse(null),
                    null,
                    done.map(Run.Done::side).orElse(null),
                    f.atMs(),
                    "Too fast at " + Spoken.mmss(f.atMs() / 1000.0) + ".",
                    "Slower: let the tissue answer before the hand moves on.",
                    List.of(f.id()));
        }
        var taps = run.all(RateTap.class);
        for (var done : run.done()) {
            var mine = between(taps, done.start(), done.end());
            if (mine.size() < 3) continue;
            var zone = done.step().zones().get(0);
            var row = DoseTable.find(done.step().technique(), zone).filter(DoseTable.Row::hasRate);
            double planned =
                    done.step().dose().perSecond() != null ? done.step().dose().perSecond() : 0;
            if (row.isEmpty() && planned == 0) continue;
            double low = row.map(profile.dose()::rateLow).orElse(planned * (1 - AROUND_PLAN));
            double high = row.map(profile.dose()::rateHigh).orElse(planned * (1 + AROUND_PLAN));
            long span = mine.get(mine.size() - 1).atMs() - mine.get(0).atMs();
            if (span <= 0) continue;
            double rate = (mine.size() - 1) * 1000.0 / span;
            double credit = rate >= low && rate <= high ? 1 : rate >= 0.75 * low && rate <= 1.25 * high ? 0.5 : 0;
            sum += credit;
            n++;
            mine.forEach(t -> events.add(t.id()));
            if (credit < 1)
                findings.add(
                        DoseRate.RULE,
                        done.step(),
                        zone,
                        done.side(),
                        mine.get(0).atMs(),
                        "Friction at " + Spoken.number(rate) + " a second; " + Spoken.number(low) + " to "
                                + Spoken.number(high) + " keep the tissue under the finger.",
                        rate < low ? "A little quicker, same pressure." : "Slower: feel each cycle.",
                        mine.stream().map(Moment::id).toList());
        }
        return new Part(
                "rate",
                n == 0 ? null : Double.valueOf(sum / n),
                weight,
                n == 0 ? "no rate was seen" : Spoken.counted(n, "rate") + " against their window",
                events);
    }

    private static <T extends palmtally.core.practical.event.Observation> List<Moment<T>> between(
            List<Moment<T>> all, long from, long until) {
        return all.subList(Sorted.firstAt(all, from), Sorted.firstAt(all, until));
    }
}
