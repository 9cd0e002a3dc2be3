package palmtally.core.practical;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Side;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Spoken;
import palmtally.core.practical.Scored.Part;
import palmtally.core.practical.event.ReviewAnswer.Said;
import palmtally.core.practical.event.StepSkip;
import palmtally.core.practical.event.StrokeFault;
import palmtally.core.profile.Marking;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.PlannedOrder;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Stint;
import palmtally.core.sequence.check.BothSides;
import palmtally.core.sequence.check.WarmUp;

/**
 * Stroke order. Each asked stint weighs its importance, a done one as much of it as it had of its least dose. K is the heaviest set of
 * done stints without a pair in wrong order, L the others that were done: who is out of order still did the work, and it counts a
 * quarter (nothing in a brief of fewer than four steps). Q = (W_K + ¼·W_L) ÷ W; S = 1 − 0.6 × the share of the safety edges to done
 * stints that were violated, by lateness or absence. One side: 100·S·Q. Two sides: 100·S·Q·(0.85 + 0.10·G + 0.05·T), G the second side
 * restarted gently, T the time of the sides. A step that the plan's own branch ends or leaves out is that step done, but it warms
 * nothing. The explanation is the score: L are the lightest that, moved, put the run in order.
 */
final class OrderScore {
    /** So much a step is still worth that went the wrong way, or beside its landmark. */
    private static final double ASTRAY = 0.5;

    private final Run run;
    private final Profile profile;
    private final Marking.OrderParts marks;
    private final Findings findings;
    /** What was asked, but for what only the grader can say whether it was done. */
    private final List<Stint> brief;

    private final List<Question> questions = new ArrayList<>();
    /** Stints of which something was in the wrong direction or beside its landmark. */
    private final Map<Stint.Key, StrokeFault.Flaw> astray = new HashMap<>();

    /** Stints that a branch of the plan ended or left out, and when: they are done. */
    private final Map<Stint.Key, Long> left = new HashMap<>();

    private final PlannedOrder order;
    private final List<@Nullable Long> met;
    /** The same of what the hands were at: what was left out warmed nothing. */
    private final List<@Nullable Long> worked;

    private final Map<Stint.Key, Double> seconds = new HashMap<>();
    private final Map<Stint.Key, List<String>> taps = new HashMap<>();

    private OrderScore(Run run) {
        var practical = run.practical();
        this.run = run;
        this.profile = practical.profile();
        this.marks = profile.marking().order();
        this.findings = new Findings(profile);
        for (var l : run.left()) left.merge(l.key(), l.atMs(), Math::min);
        this.brief = placed(asBegun(practical.brief()));
        this.order = PlannedOrder.of(practical.sequence(), brief, profile);
        this.met = met(left);
        this.worked = met(Map.of());
        for (var d : run.done()) {
            seconds.merge(d.key(), (d.end() - d.start()) / 1000.0, Double::sum);
            taps.computeIfAbsent(d.key(), k -> new ArrayList<>()).add(d.event());
        }
        astray();
    }

    /** What was asked in planned order, its sides exchanged where the student began with the other one: that is theirs to choose. */
    private List<Stint> asBegun(List<Stint> asked) {
        Predicate<Side> oneSided = s -> s == Side.LEFT || s == Side.RIGHT;
        var planned = asked.stream().map(Stint::side).filter(oneSided).findFirst();
        var begun = run.done().stream().map(Run.Done::side).filter(oneSided).findFirst();
        if (planned.isEmpty() || begun.isEmpty() || planned.equals(begun)) return asked;
        Map<Stint.Key, Stint> all = new HashMap<>();
        for (var s : asked) all.put(s.key(), s);
        return asked.stream()
                .map(s -> all.getOrDefault(new Stint.Key(s.step().id(), other(s.side())), s))
                .toList();
    }

    private static Side other(Side side) {
        return side == Side.LEFT ? Side.RIGHT : side == Side.RIGHT ? Side.LEFT : side;
    }

    /**
     * What was asked without what was not tapped where nobody watched: whether that was left out only the grader can say. A stint's
     * place is between the tapped ones that are planned before and after it, else the start or the end of the run.
     */
    private List<Stint> placed(List<Stint> asked) {
        Map<Stint.Key, Long> first = new HashMap<>(left);
        for (var d : run.done()) first.merge(d.key(), d.start(), Math::min);
        var skipped = new HashSet<String>();
        for (var skip : run.all(StepSkip.class))
            skipped.add(skip.of().step() + "/"
                    + (skip.of().side() == null ? "" : skip.of().side()));
        long[] after = new long[asked.size() + 1];
        after[asked.size()] = run.end();
        for (int i = asked.size() - 1; i >= 0; i--)
            after[i] = first.getOrDefault(asked.get(i).key(), after[i + 1]);
        var placed = new ArrayList<Stint>();
        long before = 0;
        for (int i = 0; i < asked.size(); i++) {
            var stint = asked.get(i);
            var at = first.get(stint.key());
            if (at != null) before = at;
            if (at != null || knownLeftOut(stint, skipped, before, after[i + 1])) placed.add(stint);
        }
        return List.copyOf(placed);
    }

    /** Whether it is known that a stint without a tap was left out; asks where it is not. */
    private boolean knownLeftOut(Stint stint, Set<String> skipped, long before, long after) {
        var step = stint.step();
        if (skipped.contains(step.id() + "/") || skipped.contains(step.id() + "/" + stint.side())) return true;
        long from = Math.min(before, after);
        long to = Math.max(before, after);
        if (run.attended().contains(from) && to - from <= Heard.GLANCE_MS || Heard.watched(run.attended(), from, to))
            return true;
        var key = "step/" + step.id() + "/" + stint.side();
        var said = run.reviewed(key).orElse(null);
        if (said == null)
            questions.add(new Question(
                    key,
                    Criterion.ORDER,
                    named(stint) + " was not tapped, and its place in the plan was not watched.",
                    step.id(),
                    stint.side(),
                    from,
                    List.of(Said.LEFT_OUT, Said.NOT_SEEN)));
        return said == Said.LEFT_OUT;
    }

    private void astray() {
        for (var f : run.all(StrokeFault.class)) {
            var flaw = f.of().flaw();
            if (flaw != StrokeFault.Flaw.WRONG_DIRECTION && flaw != StrokeFault.Flaw.WRONG_LANDMARK) continue;
            var done = run.about(f.atMs());
            if (done.isEmpty()) continue;
            astray.put(done.get().key(), flaw);
            findings.add(
                    RunRules.ORDER_WAY,
                    done.get().step(),
                    null,
                    done.get().side(),
                    f.atMs(),
                    "“" + done.get().step().name() + "” was " + flaw.label() + " at " + Spoken.mmss(f.atMs() / 1000.0)
                            + ": half of it counts.",
                    flaw == StrokeFault.Flaw.WRONG_DIRECTION
                            ? "Go the way the plan says, towards the heart where it says nothing."
                            : "Find the landmark with the palm first, then lay the stroke on it.",
                    List.of(f.id()));
        }
    }

    static Scored of(Run run) {
        return new OrderScore(run).score();
    }

    /** When each was met: by first contact, closing ones by last; what was left out when that was said. */
    private List<@Nullable Long> met(Map<Stint.Key, Long> leftOut) {
        Map<Stint.Key, Long> first = new HashMap<>(leftOut);
        Map<Stint.Key, Long> last = new HashMap<>(leftOut);
        for (var d : run.done()) {
            first.merge(d.key(), d.start(), Math::min);
            last.merge(d.key(), d.start(), Math::max);
        }
        var met = new ArrayList<@Nullable Long>();
        for (var s : brief) met.add(s.step().phase().closing() ? last.get(s.key()) : first.get(s.key()));
        return met;
    }

    private Scored score() {
        var asked = run.practical().brief();
        long steps = asked.stream().map(s -> s.step().id()).distinct().count();
        if (steps < 2)
            return Scored.notAsked(
                    Criterion.ORDER, steps == 0 ? "no step was asked" : "one step alone has no order", findings.all());
        int done = (int) met.stream().filter(Objects::nonNull).count();
        if (done == 0)
            return Scored.unseen(Criterion.ORDER, "no step was seen", List.of(), findings.all())
                    .waitingFor(questions);
        var parts = new ArrayList<Part>();
        double q = inOrder(steps, parts);
        double s = safety(parts);
        double score = 100 * q * s * sides(parts);
        var tau = Concordance.of(order, met);
        if (tau != null)
            parts.add(new Part(
                    "concordance",
                    tau,
                    0,
                    "Kendall’s tau of what was done, −1 to 1: a figure beside the score, not in it",
                    List.of()));
        int least = new Scored.Rests(Criterion.ORDER, 0, asked.size(), "asked steps").needed(run.practical());
        int half = (asked.size() + 1) / 2;
        if (brief.size() < Math.max(least, half))
            return Scored.unseen(
                            Criterion.ORDER,
                            "too little seen: " + brief.size() + " of " + Math.max(least, half) + " asked steps",
                            parts,
                            findings.all())
                    .waitingFor(questions);
        return new Scored(Criterion.ORDER, score, null, true, parts, findings.all(), done, null, List.of())
                .waitingFor(questions);
    }

    private double inOrder(long steps, List<Part> parts) {
        var done = new ArrayList<Integer>();
        double[] weights = new double[brief.size()];
        double all = 0;
        for (int i = 0; i < brief.size(); i++) {
            var stint = brief.get(i);
            double least = Math.min(stint.step().minimum(), stint.dose().totalSeconds());
            double had = seconds.getOrDefault(stint.key(), 0.0);
            double importance = stint.step().importance().weight();
            all += importance;
            // A least dose of half the dose would make half of it whole: what went astray is worth half however long it
            // was.
            weights[i] = importance
                    * (least <= 0 || left.containsKey(stint.key()) ? 1 : Math.min(1, had / least))
                    * (astray.containsKey(stint.key()) ? ASTRAY : 1);
            if (met.get(i) != null && weights[i] > 0) done.add(i);
            if (met.get(i) == null || had < least - 0.5 && !left.containsKey(stint.key())) dose(stint, had, least);
        }
        var moved = moved(done, weights);
        double kept = 0;
        double out = 0;
        for (int i : done)
            if (moved.contains(i)) out += weights[i];
            else kept += weights[i];
        double still = steps < 4 ? 0 : marks.outOfPlace();
        double q = (kept + still * out) / all;
        for (int i : moved) {
            var stint = brief.get(i);
            findings.add(
                    RunRules.ORDER_RUN,
                    stint.step(),
                    null,
                    stint.side(),
                    Objects.requireNonNull(met.get(i)),
                    named(stint) + " came out of its place; moving it would put the run in order.",
                    "Go through the steps in the planned order.",
                    taps.getOrDefault(stint.key(), List.of()));
        }
        parts.add(new Part(
                "done in its place",
                q,
                1,
                Spoken.number(kept) + " of " + Spoken.number(all) + " by importance and least dose"
                        + (out > 0
                                ? ", and " + Spoken.number(out) + " out of place"
                                        + (still > 0 ? ", of which a quarter counts" : "")
                                : "")
                        + (left.isEmpty()
                                ? ""
                                : "; " + Spoken.counted(left.size(), "step") + " ended by the plan’s own branch"),
                Stream.concat(
                                run.done().stream().map(Run.Done::event),
                                run.left().stream().map(Run.Left::event))
                        .toList()));
        return q;
    }

    /** Those that, moved, put the run in order; of what was done. */
    private List<Integer> moved(List<Integer> done, double[] weights) {
        var wrong = new BitSet[done.size()];
        for (int a = 0; a < done.size(); a++) {
            wrong[a] = new BitSet(done.size());
            for (int b = 0; b < done.size(); b++)
                if (order.comparable(done.get(a), done.get(b))
                        && Objects.requireNonNull(met.get(done.get(a))) > Objects.requireNonNull(met.get(done.get(b))))
                    wrong[a].set(b);
        }
        double[] mine = done.stream().mapToDouble(i -> weights[i]).toArray();
        return HeaviestInOrder.moved(wrong, mine).stream().map(done::get).toList();
    }

    private void dose(Stint stint, double had, double least) {
        findings.add(
                RunRules.ORDER_COVER,
                stint.step(),
                null,
                stint.side(),
                run.end(),
                had == 0
                        ? named(stint) + " was left out."
                        : named(stint) + " had " + Spoken.mmss(had) + " of at least " + Spoken.mmss(least) + ".",
                "Give every step its least dose before moving on.",
                taps.getOrDefault(stint.key(), List.of()));
    }

    /** Of the orders that safety needs, those to what was done; and how many were broken. */
    private double safety(List<Part> parts) {
        int edges = 0;
        int broken = 0;
        for (int i = 0; i < brief.size(); i++) {
            boolean late = false;
            boolean missing = false;
            for (int j = 0; j < brief.size(); j++) {
                var after = worked.get(j);
                if (!order.safety(i, j) || after == null) continue;
                edges++;
                var first = worked.get(i);
                if (first != null && first <= after) continue;
                broken++;
                late |= first != null;
                missing |= first == null;
            }
            if (late || missing) unsafe(brief.get(i), missing, Objects.requireNonNullElse(worked.get(i), run.end()));
        }
        if (edges == 0) return 1;
        double s = 1 - marks.safety() * broken / edges;
        parts.add(new Part(
                "what safety needs first",
                s,
                1,
                broken == 0
                        ? "every firm step came after its warm-up"
                        : broken + " of " + edges + " times firm work came without the warm-up before it",
                List.of()));
        return s;
    }

    private void unsafe(Stint warm, boolean missing, long at) {
        findings.add(
                WarmUp.RULE,
                warm.step(),
                warm.step().zones().get(0),
                warm.side(),
                at,
                named(warm) + " should have warmed the zone before the firm work and "
                        + (missing ? "was never done." : "came after it."),
                "Warm first: broad and light, on that zone, on that side.",
                taps.getOrDefault(warm.key(), List.of()));
    }

    private static String named(Stint s) {
        return "“" + s.step().name() + "”"
                + (s.side() == Side.LEFT || s.side() == Side.RIGHT ? ", " + s.side() + "," : "");
    }

    /** What both sides together leave of the score: 1 where one was asked. */
    private double sides(List<Part> parts) {
        boolean both = run.practical().sides() == Sides.EACH && onThisSide(Side.LEFT) && onThisSide(Side.RIGHT);
        if (!both) return 1;
        double g = restartsGently() ? 1 : 0;
        double t = time();
        double credit = profile.order().sideRatio() == 0
                ? 1
                : Math.min(1, t / profile.order().sideRatio());
        var events = run.done().stream().map(Run.Done::event).toList();
        parts.add(new Part(
                "second side restarts gently",
                g,
                marks.restart(),
                "its first touch is broad and below firm, or what the plan opens that side with",
                events));
        parts.add(
                new Part("time of the sides", credit, marks.time(), "shorter ÷ longer is " + Spoken.number(t), events));
        return 1 - marks.restart() * (1 - g) - marks.time() * (1 - credit);
    }

    /** Whether work was asked on a side, and no branch of the plan left it out. */
    private boolean onThisSide(Side side) {
        return brief.stream().anyMatch(s -> s.side() == side && !left.containsKey(s.key()));
    }

    /** Mean over the steps asked on both sides of shorter ÷ longer, each against what was asked of its side: who follows the plan loses nothing. */
    private double time() {
        var bySteps = brief.stream()
                .filter(s -> s.side() == Side.LEFT || s.side() == Side.RIGHT)
                .filter(s -> !left.containsKey(s.key()))
                .collect(Collectors.groupingBy(s -> s.step().id()));
        double sum = 0;
        int n = 0;
        double left = 0;
        double right = 0;
        for (var stints : bySteps.values()) {
            if (stints.size() < 2) continue;
            double a = share(stints.get(0));
            double b = share(stints.get(1));
            sum += Math.max(a, b) == 0 ? 0 : Math.min(a, b) / Math.max(a, b);
            n++;
            for (var s : stints) {
                double had = seconds.getOrDefault(s.key(), 0.0);
                if (s.side() == Side.LEFT) left += had;
                else right += had;
            }
        }
        double t = n == 0 ? 1 : sum / n;
        if (t < profile.order().sideRatio() && left > 0 && right > 0)
            findings.add(
                    BothSides.RULE,
                    null,
                    null,
                    left < right ? Side.LEFT : Side.RIGHT,
                    run.end(),
                    "Left side had " + Spoken.mmss(left) + ", right side " + Spoken.mmss(right) + ".",
                    "Give both sides about the same time.",
                    List.of());
        return t;
    }

    private double share(Stint stint) {
        double asked = stint.dose().totalSeconds();
        return asked <= 0 ? 0 : seconds.getOrDefault(stint.key(), 0.0) / asked;
    }

    /**
     * The second side is the one met later; it restarts gently when its first touch, as the grader saw it, is broad and below firm, or
     * is no firmer than the plan opens that side with. Left out is not.
     */
    private boolean restartsGently() {
        var left = run.done().stream().filter(d -> d.side() == Side.LEFT).findFirst();
        var right = run.done().stream().filter(d -> d.side() == Side.RIGHT).findFirst();
        if (left.isEmpty() || right.isEmpty()) {
            var missing = left.isEmpty() ? Side.LEFT : Side.RIGHT;
            if (left.isPresent() || right.isPresent())
                findings.add(
                        BothSides.RULE,
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
        int depth = touch.map(Run.Touch::depth).orElse(step.depth());
        var tool = touch.map(Run.Touch::tool).orElse(step.tool());
        boolean opens = run.practical().brief().stream()
                .filter(s -> s.side() == side)
                .findFirst()
                .filter(s -> s.key().equals(second.key()))
                .isPresent();
        boolean gentle = opens && depth <= step.depth() && tool == step.tool()
                || depth < run.practical().profile().order().firmDepth() && !tool.pointed();
        if (!gentle)
            findings.add(
                    BothSides.RULE,
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
}
