package palmtally.core.practical;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import org.hipparchus.util.FastMath;
import palmtally.core.Sums;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Spoken;
import palmtally.core.practical.Run.Moment;
import palmtally.core.practical.Scored.Part;
import palmtally.core.practical.event.BalanceTest;
import palmtally.core.practical.event.Look;
import palmtally.core.profile.MechanicsFault;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Stint;
import palmtally.core.sequence.check.BareThumb;
import palmtally.core.technique.Tool;

/**
 * Body mechanics: 100 × the weighted mean of looks, balance and thumbs. Looks by momentary time sampling: each is worth max(0, 1 − Σ
 * weights of the faults seen), one that nobody asked for half as much as one that was due. Balance: share of the tests that held.
 * Thumbs, where the tool was seen: bare and pointed seconds against what the plan and the profile allow. The interval is Wilson's for
 * the share of fully clean looks among those asked for.
 */
final class MechanicsScore {
    /** A look that nobody asked for is seen when something is: it weighs less (ours). */
    private static final double VOLUNTEERED = 0.5;

    private MechanicsScore() {}

    static Scored of(Run run) {
        var profile = run.practical().profile();
        var marks = profile.marking().mechanics();
        var findings = new Findings(profile);
        var events = new ArrayList<String>();
        double observed = 0;
        double sum = 0;
        int asked = 0;
        int clean = 0;
        for (var look : run.all(Look.class)) {
            var faults = look.of().faults();
            if (!faults.isEmpty()) report(run, findings, look, faults);
            double spoiled = Sums.of(faults.stream()
                    .mapToDouble(f -> profile.mechanics().faults().getOrDefault(f, 0.0)));
            double weight = look.of().sample() ? 1 : VOLUNTEERED;
            observed += weight;
            sum += weight * Math.max(0, 1 - spoiled);
            events.add(look.id());
            if (!look.of().sample()) continue;
            asked++;
            if (faults.isEmpty()) clean++;
        }
        var parts = List.of(
                new Part(
                        "looks",
                        observed == 0 ? null : Double.valueOf(sum / observed),
                        marks.looks(),
                        observed == 0
                                ? "no look was answered"
                                : clean + " of " + Spoken.counted(asked, "look") + " that were due were clean"
                                        + (events.size() > asked
                                                ? ", and " + Spoken.counted(events.size() - asked, "look")
                                                        + " in between at half the weight"
                                                : ""),
                        events),
                balance(run, marks.balance(), findings),
                thumbs(run, profile, marks.thumb(), findings));
        var mean = Scored.mean(parts);
        return Scored.of(
                run.practical(),
                new Scored.Rests(Criterion.MECHANICS, observed, due(run, profile), "looks"),
                mean == null ? 0 : mean,
                parts,
                findings.all(),
                asked == 0 ? null : WilsonInterval.of(clean, asked));
    }

    /** How many looks fell due while a step that was asked was on, whether or not anybody looked. */
    private static int due(Run run, Profile profile) {
        var asked = run.practical().brief().stream().map(Stint::key).toList();
        var worked = Intervals.union(run.done().stream()
                .filter(d -> asked.contains(d.key()))
                .map(d -> new Intervals.Stretch(d.start(), d.end()))
                .toList());
        if (worked.isEmpty()) return 0;
        return Math.max(1, (int) (worked.length() / 1000.0 / profile.mechanics().lookEverySeconds()));
    }

    private static void report(Run run, Findings findings, Moment<Look> look, List<MechanicsFault> faults) {
        var done = run.at(look.atMs());
        findings.add(
                RunRules.MECH_LOOK,
                done.map(Run.Done::step).orElse(null),
                null,
                done.map(Run.Done::side).orElse(null),
                look.atMs(),
                "At " + Spoken.mmss(look.atMs() / 1000.0) + ": "
                        + String.join(
                                ", ", faults.stream().map(MechanicsFault::label).toList()) + ".",
                faults.contains(MechanicsFault.BARE_THUMB)
                        ? "Support the thumb, or swap to fist or forearm."
                        : "Re-aim hips and feet to the stroke and let the back leg push through long arms.",
                List.of(look.id()));
    }

    private static Part balance(Run run, double weight, Findings findings) {
        var tests = run.all(BalanceTest.class);
        for (var test : tests)
            if (!test.of().clear())
                findings.add(
                        RunRules.MECH_BALANCE,
                        null,
                        null,
                        null,
                        test.atMs(),
                        "With the front foot lifted the balance went: the force came from the arms, not from the back leg.",
                        "Step back, drop lower, lean instead of pushing.",
                        List.of(test.id()));
        long held = tests.stream().filter(t -> t.of().clear()).count();
        return new Part(
                "balance",
                tests.isEmpty() ? null : Double.valueOf((double) held / tests.size()),
                weight,
                tests.isEmpty()
                        ? "the balance was not tested"
                        : held + " of " + Spoken.counted(tests.size(), "balance test") + " held",
                tests.stream().map(Moment::id).toList());
    }

    /** Bare and pointed seconds against what is allowed: the profile's share of the hands-on time, or what the plan itself asks. */
    private static Part thumbs(Run run, Profile profile, double weight, Findings findings) {
        bareThumb(run, profile, findings);
        var seen = run.contacts().stream().filter(Run.Touch::toolSeen).toList();
        if (seen.isEmpty()) return new Part("thumbs", null, weight, "no tool was seen", List.of());
        double all = seconds(run, t -> true);
        double bare = allowed(
                seconds(run, t -> t.tool() == Tool.BARE_THUMB),
                Math.max(all * profile.mechanics().bareThumbShare(), planned(run, Tool.BARE_THUMB::equals)));
        double pointed = allowed(
                seconds(run, t -> t.tool() != null && t.tool().pointed()),
                Math.max(all * profile.mechanics().pointedShare(), planned(run, Tool::pointed)));
        return new Part(
                "thumbs",
                Math.min(bare, pointed),
                weight,
                "bare and pointed seconds against what the plan asks and keeps a hand healthy",
                seen.stream().map(Run.Touch::event).distinct().toList());
    }

    private static double allowed(double had, double allowed) {
        return had <= allowed ? 1 : allowed / had;
    }

    private static double seconds(Run run, Predicate<Run.Touch> which) {
        return Intervals.union(run.contacts().stream()
                                .filter(which)
                                .map(t -> new Intervals.Stretch(t.start(), t.end()))
                                .toList())
                        .length()
                / 1000.0;
    }

    /** Seconds of the steps that were done whose plan asks for such a tool. */
    private static double planned(Run run, Predicate<Tool> which) {
        return run.done().stream()
                        .filter(d -> which.test(d.step().tool()))
                        .mapToLong(d -> d.end() - d.start())
                        .sum()
                / 1000.0;
    }

    /** Longest stretch and share of hands-on time with a bare thumb, against the profile. */
    private static void bareThumb(Run run, Profile profile, Findings findings) {
        var stretches = new ArrayList<Intervals.Stretch>();
        var all = new ArrayList<Intervals.Stretch>();
        var events = new ArrayList<String>();
        for (var c : run.contacts()) {
            all.add(new Intervals.Stretch(c.start(), c.end()));
            if (c.tool() != Tool.BARE_THUMB) continue;
            stretches.add(new Intervals.Stretch(c.start(), c.end()));
            events.add(c.event());
        }
        var thumb = Intervals.union(stretches);
        if (thumb.isEmpty()) return;
        double longest = thumb.stretches().stream()
                        .mapToLong(Intervals.Stretch::length)
                        .max()
                        .orElse(0)
                / 1000.0;
        double share =
                (double) thumb.length() / Math.max(1, Intervals.union(all).length());
        if (longest <= profile.mechanics().bareThumbRowSeconds()
                && share <= profile.mechanics().bareThumbShare()) return;
        findings.add(
                BareThumb.RULE,
                null,
                null,
                null,
                thumb.stretches().get(0).start(),
                "The bare thumb worked " + Spoken.number(longest) + " s in a row and " + FastMath.round(100 * share)
                        + " % of the hands-on time; at most "
                        + Spoken.number(profile.mechanics().bareThumbRowSeconds()) + " s and "
                        + FastMath.round(100 * profile.mechanics().bareThumbShare())
                        + " % keep it healthy.",
                "Support the thumb, or swap to fist or forearm.",
                events);
    }
}
