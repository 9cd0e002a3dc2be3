package palmtally.core.practical;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Spoken;
import palmtally.core.practical.Scored.Part;
import palmtally.core.profile.MechanicsFault;
import palmtally.core.profile.Profile;
import palmtally.core.technique.Tool;

/**
 * Body mechanics by momentary time sampling: only looks the app asked for are samples; faults noted in between are findings. Score
 * = 100 × mean over looks of max(0, 1 − Σ weights of the faults seen). The interval is Wilson's for the share of fully clean looks.
 */
final class MechanicsScore {
    private MechanicsScore() {}

    static Scored of(Run run) {
        var profile = run.practical().profile();
        var findings = new Findings(profile);
        var samples = new ArrayList<String>();
        double sum = 0;
        int clean = 0;
        for (var look : run.events(EventKind.LOOK)) {
            var faults = Objects.requireNonNull(look.data().faults());
            if (!faults.isEmpty()) report(run, findings, look, faults);
            if (!Boolean.TRUE.equals(look.data().asked())) continue;
            samples.add(look.id());
            double spoiled = faults.stream()
                    .mapToDouble(f -> profile.mechanics().faults().getOrDefault(f, 0.0))
                    .sum();
            sum += Math.max(0, 1 - spoiled);
            if (faults.isEmpty()) clean++;
        }
        balance(run, findings);
        bareThumb(run, profile, findings);
        if (samples.isEmpty())
            return Scored.unseen(Criterion.MECHANICS, "no look was answered", List.of(), findings.all());
        double share = sum / samples.size();
        var part =
                new Part("looks", share, 1, clean + " of " + samples.size() + " asked-for looks were clean", samples);
        return new Scored(
                Criterion.MECHANICS,
                100 * share,
                null,
                true,
                List.of(part),
                findings.all(),
                samples.size(),
                WilsonInterval.of(clean, samples.size()));
    }

    private static void report(Run run, Findings findings, Event look, List<MechanicsFault> faults) {
        var done = run.at(look.atMs());
        findings.add(
                Rule.MECH_LOOK,
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

    private static void balance(Run run, Findings findings) {
        for (var test : run.events(EventKind.BALANCE_TEST))
            if (Boolean.FALSE.equals(test.data().clear()))
                findings.add(
                        Rule.MECH_BALANCE,
                        null,
                        null,
                        null,
                        test.atMs(),
                        "With the front foot lifted the balance went: the force came from the arms, not from the back leg.",
                        "Step back, drop lower, lean instead of pushing.",
                        List.of(test.id()));
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
                Rule.HAND_BARE,
                null,
                null,
                null,
                thumb.stretches().get(0).start(),
                "The bare thumb worked " + Spoken.number(longest) + " s in a row and " + Math.round(100 * share)
                        + " % of the hands-on time; at most "
                        + Spoken.number(profile.mechanics().bareThumbRowSeconds()) + " s and "
                        + Math.round(100 * profile.mechanics().bareThumbShare())
                        + " % keep it healthy.",
                "Support the thumb, or swap to fist or forearm.",
                events);
    }
}
