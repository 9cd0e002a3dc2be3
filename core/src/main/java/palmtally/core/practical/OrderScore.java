package palmtally.core.practical;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import palmtally.core.body.Side;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Spoken;
import palmtally.core.practical.Scored.Part;
import palmtally.core.sequence.PlannedOrder;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Stint;

/**
 * Stroke order: 100 · K · max(0, G). Coverage K = Σ w · min(1, done seconds ÷ least seconds) ÷ Σ w over the stints asked, w by
 * importance; concordance G as in {@link Concordance}. Asked for both sides: 0.85 · that + 10 where the second side restarts
 * gently + 5 · min(1, time ratio of the sides ÷ the profile's).
 */
final class OrderScore {
    private OrderScore() {}

    static Scored of(Run run) {
        var practical = run.practical();
        var profile = practical.profile();
        var findings = new Findings(profile);
        var brief = practical.brief();
        if (brief.isEmpty())
            return new Scored(Criterion.ORDER, null, "no step was asked", false, List.of(), List.of(), 0, null);
        if (run.done().isEmpty()) return Scored.unseen(Criterion.ORDER, "no step was seen", List.of(), List.of());

        Map<Stint.Key, Double> seconds = new HashMap<>();
        for (var d : run.done()) seconds.merge(d.key(), (d.end() - d.start()) / 1000.0, Double::sum);
        double weights = 0;
        double covered = 0;
        var events = run.done().stream().map(Run.Done::event).toList();
        for (var stint : brief) {
            double w = stint.step().importance().weight();
            double had = seconds.getOrDefault(stint.key(), 0.0);
            double least = Math.min(stint.step().minimum(), stint.dose().totalSeconds());
            weights += w;
            covered += w * Math.min(1, had / least);
            if (had < least - 0.5)
                findings.add(
                        Rule.ORDER_COVER,
                        stint.step(),
                        null,
                        stint.side(),
                        run.end(),
                        had == 0
                                ? "“" + stint.step().name() + "”" + side(stint) + " was left out."
                                : "“" + stint.step().name() + "”" + side(stint) + " had " + Spoken.mmss(had)
                                        + " of at least " + Spoken.mmss(least) + ".",
                        "Give every step its least dose before moving on.",
                        run.done().stream()
                                .filter(d -> d.key().equals(stint.key()))
                                .map(Run.Done::event)
                                .toList());
        }
        double k = covered / weights;

        var order = PlannedOrder.of(practical.sequence(), brief, profile);
        var g = Concordance.of(
                order, brief, Concordance.met(brief, run), profile.marking().safetyEdge());
        for (var stint : g.moved())
            findings.add(
                    Rule.ORDER_RUN,
                    stint.step(),
                    null,
                    stint.side(),
                    at(run, stint),
                    "“" + stint.step().name() + "”" + side(stint)
                            + " came out of its place; moving it would put the run in order.",
                    "Go through the steps in the planned order.",
                    eventsOf(run, stint));
        for (var stint : g.neverWarmed())
            findings.add(
                    Rule.ORDER_WARM,
                    stint.step(),
                    stint.step().zones().get(0),
                    stint.side(),
                    run.end(),
                    "“" + stint.step().name() + "”" + side(stint)
                            + " should have warmed the zone before the firm work and was never done.",
                    "Warm first: broad and light, on that zone, on that side.",
                    List.of());

        double both = 100 * k * Math.max(0, g.value());
        var parts = new ArrayList<Part>();
        boolean twoSided = practical.sides() == Sides.EACH
                && brief.stream().anyMatch(s -> s.side() == Side.LEFT)
                && brief.stream().anyMatch(s -> s.side() == Side.RIGHT);
        String coverage = "coverage: the asked steps by importance, each against its least dose";
        String concordance = "order: concordant less discordant pairs over all comparable pairs"
                + (g.moved().isEmpty() ? "" : "; " + g.moved().size() + " to move");
        parts.add(new Part("coverage", k, 0, coverage, events));
        parts.add(new Part("concordance", g.value(), 0, concordance, events));
        if (!twoSided) {
            return new Scored(
                    Criterion.ORDER,
                    both,
                    null,
                    true,
                    parts,
                    findings.all(),
                    run.done().size(),
                    null);
        }
        boolean gentle = restartsGently(run, findings);
        double wanted = Math.min(profile.order().sideRatio(), planned(brief));
        double ratio = ratio(run, wanted, findings);
        double ratioCredit = wanted == 0 ? 1 : Math.min(1, ratio / wanted);
        parts.add(new Part("both sides together", both / 100, 0.85, "coverage × order over both sides", events));
        parts.add(new Part(
                "second side restarts gently",
                gentle ? 1.0 : 0.0,
                0.10,
                "its first touch is broad and below firm, or what the plan opens that side with",
                events));
        parts.add(new Part(
                "time of the sides", ratioCredit, 0.05, "shorter ÷ longer is " + Spoken.number(ratio), events));
        double score = 0.85 * both + 10 * (gentle ? 1 : 0) + 5 * ratioCredit;
        return new Scored(
                Criterion.ORDER,
                score,
                null,
                true,
                parts,
                findings.all(),
                run.done().size(),
                null);
    }

    private static String side(Stint s) {
        return s.side() == Side.LEFT || s.side() == Side.RIGHT ? ", " + s.side() + "," : "";
    }

    private static long at(Run run, Stint stint) {
        return run.done().stream()
                .filter(d -> d.key().equals(stint.key()))
                .mapToLong(Run.Done::start)
                .findFirst()
                .orElse(run.end());
    }

    private static List<String> eventsOf(Run run, Stint stint) {
        return run.done().stream()
                .filter(d -> d.key().equals(stint.key()))
                .map(Run.Done::event)
                .toList();
    }

    /**
     * The second side is the one met later; it restarts gently when its first touch, as the grader saw it, is broad and below firm, or
     * is no firmer than the plan opens that side with. Left out is not.
     */
    private static boolean restartsGently(Run run, Findings findings) {
        var left = run.done().stream().filter(d -> d.side() == Side.LEFT).findFirst();
        var right = run.done().stream().filter(d -> d.side() == Side.RIGHT).findFirst();
        if (left.isEmpty() || right.isEmpty()) {
            var missing = left.isEmpty() ? Side.LEFT : Side.RIGHT;
            if (left.isPresent() || right.isPresent())
                findings.add(
                        Rule.ORDER_SIDES,
                        null,
                        null,
                        missing,
                        run.end(),
                        "The " + missing + " side was left out.",
                        "Work on a paired zone is due on both sides.",
                        List.of());
            return false;
        }
        var second = left.get().start() <= right.get().start() ? right.get() : left.get();
        var step = second.step();
        var side = second.side();
        var touch = run.contacts().stream()
                .filter(c -> c.seen() && c.side() == side && c.start() >= second.start() && c.start() < second.end())
                .findFirst();
        int depth = touch.map(Run.Contact::depth).orElse(step.depth());
        var tool = touch.map(Run.Contact::tool).orElse(step.tool());
        boolean opens = run.practical().brief().stream()
                .filter(s -> s.side() == side)
                .findFirst()
                .filter(s -> s.key().equals(second.key()))
                .isPresent();
        boolean gentle = opens && depth <= step.depth() && tool == step.tool()
                || depth < run.practical().profile().order().firmDepth() && !tool.pointed();
        if (!gentle)
            findings.add(
                    Rule.ORDER_SIDES,
                    step,
                    null,
                    second.side(),
                    second.start(),
                    "The second side began with “" + step.name() + "” at depth " + depth
                            + ": it was not warmed by what was done on the first.",
                    "Start the second side again at the gentle opening.",
                    List.of(second.event()));
        return gentle;
    }

    /** Time of the sides as it was asked, shorter ÷ longer: who follows the plan loses nothing. */
    private static double planned(List<Stint> brief) {
        double left = planned(brief, Side.LEFT);
        double right = planned(brief, Side.RIGHT);
        return Math.min(left, right) / Math.max(left, right);
    }

    private static double planned(List<Stint> brief, Side side) {
        return brief.stream()
                .filter(s -> s.side() == side)
                .mapToDouble(s -> s.dose().totalSeconds())
                .sum();
    }

    private static double ratio(Run run, double wanted, Findings findings) {
        double left = seconds(run, Side.LEFT);
        double right = seconds(run, Side.RIGHT);
        if (left == 0 || right == 0) return 0;
        double ratio = Math.min(left, right) / Math.max(left, right);
        if (ratio < wanted)
            findings.add(
                    Rule.ORDER_SIDES,
                    null,
                    null,
                    left < right ? Side.LEFT : Side.RIGHT,
                    run.end(),
                    "Left side had " + Spoken.mmss(left) + ", right side " + Spoken.mmss(right) + ".",
                    "Give both sides about the same time.",
                    List.of());
        return ratio;
    }

    private static double seconds(Run run, Side side) {
        return run.done().stream()
                        .filter(d -> d.side() == side)
                        .mapToLong(d -> d.end() - d.start())
                        .sum()
                / 1000.0;
    }
}
