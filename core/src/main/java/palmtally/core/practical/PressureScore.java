package palmtally.core.practical;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Spoken;
import palmtally.core.practical.EventData.Response;
import palmtally.core.practical.Scored.Part;
import palmtally.core.profile.Band;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.DoseWindow;
import palmtally.core.sequence.Step;
import palmtally.core.technique.DoseTable;

/**
 * Pressure control: 100 × the weighted mean of the parts with evidence. Reports inside the step's band count 1, one grade outside ½,
 * further 0; the first report of a step over the band counts 1 when it is eased in time, so that asking is never punished. Answers
 * count 1 up to the full time plus the grader's allowance, falling in a straight line to 0. Ceilings: share of the contacts the
 * grader gave that stay at or below the site's. Holds and rate: 1 inside the dose window, ½ within a quarter of it.
 */
final class PressureScore {
    /** Share around a planned hold that counts as the window where the dose table has none (ours). */
    private static final double AROUND_PLAN = 0.2;

    private final Run run;
    private final Profile profile;
    private final Findings findings;
    private int observations;

    private PressureScore(Run run) {
        this.run = run;
        this.profile = run.practical().profile();
        this.findings = new Findings(profile);
    }

    static Scored of(Run run) {
        return new PressureScore(run).score();
    }

    /** An answer to a report over its band: how late, and what it earns, 0–1; null where it could not be seen. */
    record Answered(
            Event report, @Nullable Event answer, @Nullable Double credit) {}

    private Scored score() {
        var weights = profile.marking().pressure();
        var answered = answers(run);
        var parts = List.of(
                reports(answered, weights.reports()),
                answersPart(answered, weights.answers()),
                ceilings(weights.ceilings()),
                holds(weights.holds()),
                rate(weights.rate()));
        var mean = Scored.mean(parts);
        if (mean == null)
            return Scored.unseen(
                    Criterion.PRESSURE, "no report, answer, touch, hold or rate was recorded", parts, findings.all());
        return new Scored(Criterion.PRESSURE, mean, null, true, parts, findings.all(), observations, null);
    }

    static Band band(Profile profile, @Nullable Step step) {
        return step == null ? profile.pressure().warmBand() : step.bandUnder(profile);
    }

    private static int number(Event report) {
        return java.util.Objects.requireNonNull(report.data().number());
    }

    private static @Nullable Step stepAt(Run run, long at) {
        return run.at(at).map(Run.Done::step).orElse(null);
    }

    /** Every report over its band with the first answer after it, and what that earns. */
    static List<Answered> answers(Run run) {
        var profile = run.practical().profile();
        var reports = run.events(EventKind.REPORT);
        var responses = run.events(EventKind.REPORT_ANSWER);
        long nothing = Math.round(profile.marking().answerNothingSeconds() * 1000);
        var all = new ArrayList<Answered>();
        var over = reports.stream()
                .filter(r -> number(r) > band(profile, stepAt(run, r.atMs())).high())
                .toList();
        for (int i = 0; i < over.size(); i++) {
            var report = over.get(i);
            var next = i + 1 < over.size() ? over.get(i + 1) : null;
            // Within its time an answer is to every report before it; later it is to the last of them, and too late.
            Optional<Event> answer = responses.stream()
                    .filter(r -> Event.ORDER.compare(r, report) > 0)
                    .findFirst()
                    .filter(r ->
                            r.atMs() - report.atMs() <= nothing || next == null || Event.ORDER.compare(r, next) < 0);
            @Nullable Double credit;
            if (answer.isPresent())
                credit = answer.get().data().response() == Response.NONE
                        ? Double.valueOf(0)
                        : Double.valueOf(credit(profile, answer.get().atMs() - report.atMs()));
            else if (run.attended().covers(report.atMs(), Math.min(report.atMs() + nothing, run.end()))
                    && run.end() >= report.atMs() + nothing) credit = 0.0;
            else credit = null;
            all.add(new Answered(report, answer.orElse(null), credit));
        }
        return all;
    }

    /** 1 up to the full time plus allowance, then a straight line to 0. */
    private static double credit(Profile profile, long lateMs) {
        double full = profile.marking().answerFullSeconds() + profile.marking().answerAllowanceSeconds();
        double none = profile.marking().answerNothingSeconds();
        double late = lateMs / 1000.0;
        if (late <= full) return 1;
        return Math.max(0, (none - late) / (none - full));
    }

    private Part reports(List<Answered> answered, double weight) {
        var events = new ArrayList<String>();
        var overInStep = new HashSet<String>();
        double sum = 0;
        for (var report : run.events(EventKind.REPORT)) {
            var done = run.at(report.atMs());
            var step = done.map(Run.Done::step).orElse(null);
            var band = band(profile, step);
            int value = number(report);
            int off = band.distance(value);
            double credit = off == 0 ? 1 : off == 1 ? 0.5 : 0;
            if (value > band.high()) {
                boolean first = overInStep.add(done.map(d -> d.event()).orElse("-"));
                boolean eased =
                        answered.stream().anyMatch(a -> a.report() == report && a.credit() != null && a.credit() >= 1);
                if (first && eased) credit = 1;
                else if (off > 0)
                    findings.add(
                            Rule.PRESS_BAND,
                            step,
                            null,
                            done.map(Run.Done::side).orElse(null),
                            report.atMs(),
                            "The client said " + value + " at " + Spoken.mmss(report.atMs() / 1000.0)
                                    + "; this step aims at " + band + ", and more than that makes the tissue guard.",
                            "Start lighter, or go slower or broader.",
                            List.of(report.id()));
            } else if (off > 0)
                findings.add(
                        Rule.PRESS_BAND,
                        step,
                        null,
                        done.map(Run.Done::side).orElse(null),
                        report.atMs(),
                        "The client said " + value + " at " + Spoken.mmss(report.atMs() / 1000.0)
                                + "; this step aims at " + band + ", so it reaches less than it is meant to.",
                        "Offer a little more, and ask again.",
                        List.of(report.id()));
            sum += credit;
            events.add(report.id());
        }
        observations += events.size();
        return new Part(
                "reports",
                events.isEmpty() ? null : Double.valueOf(sum / events.size()),
                weight,
                events.isEmpty()
                        ? "the client was never heard to say a number"
                        : Spoken.counted(events.size(), "report") + " against the band of their step",
                events);
    }

    private Part answersPart(List<Answered> answered, double weight) {
        var events = new ArrayList<String>();
        double sum = 0;
        int n = 0;
        for (var a : answered) {
            if (a.credit() == null) continue;
            n++;
            sum += a.credit();
            events.add(a.report().id());
            if (a.answer() != null) events.add(a.answer().id());
            if (a.credit() >= 1) continue;
            var step = stepAt(run, a.report().atMs());
            double full =
                    profile.marking().answerFullSeconds() + profile.marking().answerAllowanceSeconds();
            String what;
            if (a.answer() == null)
                what = "nothing was done about it within "
                        + Spoken.number(profile.marking().answerNothingSeconds()) + " s";
            else if (a.answer().data().response() == Response.NONE) what = "nothing was done about it";
            else
                what = "it was answered after "
                        + Spoken.number((a.answer().atMs() - a.report().atMs()) / 1000.0) + " s, later than "
                        + Spoken.number(full) + " s";
            findings.add(
                    Rule.PRESS_ANSWER,
                    step,
                    null,
                    null,
                    a.report().atMs(),
                    "The client said " + number(a.report()) + " at "
                            + Spoken.mmss(a.report().atMs() / 1000.0) + " and " + what + ".",
                    "Ease at once, let it settle, ask, come back slower or broader.",
                    a.answer() == null
                            ? List.of(a.report().id())
                            : List.of(a.report().id(), a.answer().id()));
        }
        observations += n;
        return new Part(
                "answers",
                n == 0 ? null : Double.valueOf(sum / n),
                weight,
                n == 0
                        ? "no report asked for an answer"
                        : Spoken.counted(n, "report") + " over the band, and how soon they were answered",
                events);
    }

    private Part ceilings(double weight) {
        var events = new ArrayList<String>();
        int kept = 0;
        for (var c : run.contacts()) {
            var depth = c.depth();
            if (!c.seen() || depth == null) continue;
            int ceiling = profile.pressure().ceiling(c.zone());
            events.add(c.event());
            if (depth <= ceiling) {
                kept++;
                continue;
            }
            var why = c.zone().ceiling().map(z -> ": " + z.why()).orElse("");
            var sentence = "Depth " + depth + " on " + c.zone().label().toLowerCase() + " at "
                    + Spoken.mmss(c.start() / 1000.0) + "; this site takes " + ceiling + " at most" + why + ".";
            if (ceiling == 0)
                findings.critical(
                        Rule.PRESS_CEILING,
                        c.step(),
                        c.zone(),
                        c.side(),
                        c.start(),
                        sentence,
                        "Keep off this site.",
                        List.of(c.event()));
            else if (c.zone().ceiling().isEmpty())
                findings.hint(
                        Rule.PRESS_CEILING,
                        c.step(),
                        c.zone(),
                        c.side(),
                        c.start(),
                        sentence + " No ceiling is listed for it; that is the school's own limit.",
                        "Lighten before reaching this site.",
                        List.of(c.event()));
            else
                findings.add(
                        Rule.PRESS_CEILING,
                        c.step(),
                        c.zone(),
                        c.side(),
                        c.start(),
                        sentence,
                        "Lighten before reaching this site.",
                        List.of(c.event()));
        }
        observations += events.size();
        return new Part(
                "ceilings",
                events.isEmpty() ? null : Double.valueOf((double) kept / events.size()),
                weight,
                events.isEmpty()
                        ? "no depth was observed"
                        : kept + " of " + events.size() + " observed touches within the site's ceiling",
                events);
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
                        Rule.DOSE_WINDOW,
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
        observations += events.size();
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
                .orElseGet(() -> new DoseWindow(
                        DoseTable.Per.HOLD, planned(step) * (1 - AROUND_PLAN), planned(step) * (1 + AROUND_PLAN)));
    }

    /** Taps of one step in a row, at least three, make one rate: (taps − 1) ÷ time, a second. */
    private Part rate(double weight) {
        var events = new ArrayList<String>();
        double sum = 0;
        int n = 0;
        var taps = run.events(EventKind.RATE_TAP);
        for (var done : run.done()) {
            var mine = taps.stream()
                    .filter(t -> t.atMs() >= done.start() && t.atMs() < done.end())
                    .toList();
            if (mine.size() < 3) continue;
            var zone = done.step().zones().get(0);
            var row = DoseTable.find(done.step().library(), zone).filter(DoseTable.Row::hasRate);
            double planned =
                    done.step().dose().perSecond() != null ? done.step().dose().perSecond() : 0;
            if (row.isEmpty() && planned == 0) continue;
            double low = row.map(DoseTable.Row::rateLow).orElse(planned * (1 - AROUND_PLAN));
            double high = row.map(DoseTable.Row::rateHigh).orElse(planned * (1 + AROUND_PLAN));
            long span = mine.get(mine.size() - 1).atMs() - mine.get(0).atMs();
            if (span <= 0) continue;
            double rate = (mine.size() - 1) * 1000.0 / span;
            double credit = rate >= low && rate <= high ? 1 : rate >= 0.75 * low && rate <= 1.25 * high ? 0.5 : 0;
            sum += credit;
            n++;
            mine.forEach(t -> events.add(t.id()));
            if (credit < 1)
                findings.add(
                        Rule.DOSE_RATE,
                        done.step(),
                        zone,
                        done.side(),
                        mine.get(0).atMs(),
                        "Friction at " + Spoken.number(rate) + " a second; " + Spoken.number(low) + " to "
                                + Spoken.number(high) + " keep the tissue under the finger.",
                        rate < low ? "A little quicker, same pressure." : "Slower: feel each cycle.",
                        mine.stream().map(Event::id).toList());
        }
        observations += n;
        return new Part(
                "rate",
                n == 0 ? null : Double.valueOf(sum / n),
                weight,
                n == 0 ? "no rate was tapped" : n + " rates against their window",
                events);
    }
}
