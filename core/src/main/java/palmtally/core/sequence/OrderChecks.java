package palmtally.core.sequence;

import static palmtally.core.finding.Spoken.mmss;
import static palmtally.core.finding.Spoken.number;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.profile.Ways;
import palmtally.core.sequence.Stint.Half;
import palmtally.core.sequence.Timeline.Span;
import palmtally.core.technique.Tool;

/** Checks of the order of strokes (common practice, no source). */
final class OrderChecks {
    private OrderChecks() {}

    /** What is wrong with one step, over all zones and sides it has trouble with. */
    private static final class Trouble {
        final Span span;
        final Zone zone;
        final Set<Side> sides = EnumSet.noneOf(Side.class);
        double worst;

        Trouble(Span span, Zone zone, double worst) {
            this.span = span;
            this.zone = zone;
            this.worst = worst;
        }

        @Nullable
        Side side() {
            return sides.size() == 1 ? sides.iterator().next() : null;
        }
    }

    /** A gentle palm stroke like the given step in everything but tool, depth and dose. */
    private static Step palmStroke(
            Plan plan, Step like, String stem, String name, int depth, double seconds, Phase phase) {
        return new StepEdit(like)
                .made(plan.sequence.freshId(stem), name, "effleurage", Tool.PALM, depth, seconds, phase);
    }

    static final class Warm implements Check {
        @Override
        public Rule rule() {
            return Rule.ORDER_WARM;
        }

        @Override
        public void look(Plan plan) {
            double need = plan.profile.order().warmUpSeconds();
            var troubles = new LinkedHashMap<String, Trouble>();
            for (var entry : plan.touches.entrySet()) {
                double warmed = 0;
                int before = -1;
                for (var span : entry.getValue()) {
                    var step = span.stint().step();
                    if (step.depth() >= plan.firm()) {
                        if (warmed < need - 1e-9) {
                            double had = warmed;
                            int prior = before;
                            var t = troubles.computeIfAbsent(
                                    step.id(),
                                    k -> new Trouble(span, entry.getKey().zone(), had));
                            t.sides.add(entry.getKey().side());
                            t.worst = Math.min(t.worst, had);
                        }
                        break;
                    }
                    if (step.calms(plan.firm())) warmed += span.seconds();
                    before = step.depth();
                }
            }
            for (var t : troubles.values()) {
                var step = t.span.stint().step();
                double missing = Math.ceil((need - t.worst) / 5) * 5;
                int depth = Math.min(Math.min(2, plan.ceiling(step)), plan.firm() - 1);
                var mend = depth < 1
                        ? null
                        : new Mend(
                                "Add " + number(missing) + " s palm glide before "
                                        + plan.number(step).toLowerCase(Locale.ROOT),
                                s -> s.inserting(
                                        step.id(),
                                        palmStroke(
                                                plan,
                                                step,
                                                "warm-up",
                                                "Warm-up palm glide",
                                                depth,
                                                missing,
                                                Phase.WARM),
                                        0));
                plan.report(
                        rule(),
                        plan.at(t.span, t.zone, t.side()),
                        plan.number(step) + " goes firm on " + t.zone.label().toLowerCase(Locale.ROOT)
                                + (t.side() == null ? "" : ", " + t.side()) + ", after "
                                + number(t.worst) + " s of warm-up; the profile asks for " + number(need)
                                + " s, because unprepared tissue guards.",
                        "Warm this zone with a broad, light stroke first.",
                        mend);
            }
        }
    }

    static final class Broad implements Check {
        @Override
        public Rule rule() {
            return Rule.ORDER_BROAD;
        }

        @Override
        public void look(Plan plan) {
            var seen = new HashSet<String>();
            for (var entry : plan.touches.entrySet()) {
                boolean broad = false;
                for (var span : entry.getValue()) {
                    var step = span.stint().step();
                    if (step.tool().pointed()) {
                        if (!broad && seen.add(step.id())) {
                            int depth = Math.min(2, plan.ceiling(step));
                            plan.report(
                                    rule(),
                                    plan.at(
                                            span,
                                            entry.getKey().zone(),
                                            span.stint().side()),
                                    plan.number(step) + " meets "
                                            + entry.getKey().zone().label().toLowerCase(Locale.ROOT) + " with the "
                                            + step.tool().label()
                                            + " before any broad tool: a point on unprepared tissue hurts and tells the hand little.",
                                    "Work the zone with palm, fist or forearm first.",
                                    depth < 1
                                            ? null
                                            : new Mend(
                                                    "Add 30 s palm work before "
                                                            + plan.number(step).toLowerCase(Locale.ROOT),
                                                    s -> s.inserting(
                                                            step.id(),
                                                            palmStroke(
                                                                    plan,
                                                                    step,
                                                                    "broad",
                                                                    "Broad palm stroke",
                                                                    depth,
                                                                    30,
                                                                    Phase.WARM),
                                                            0)));
                        }
                        break;
                    }
                    if (step.depth() > 0) broad = true;
                }
            }
        }
    }

    static final class Flush implements Check {
        @Override
        public Rule rule() {
            return Rule.ORDER_FLUSH;
        }

        @Override
        public void look(Plan plan) {
            var troubles = new LinkedHashMap<String, Trouble>();
            for (var entry : plan.touches.entrySet()) {
                @Nullable Span deep = null;
                for (var span : entry.getValue()) {
                    if (span.stint().step().depth() >= plan.firm()) deep = span;
                    else if (span.stint().step().calms(plan.firm())
                            && span.stint().step().depth() <= 2) deep = null;
                }
                if (deep == null) continue;
                var last = deep;
                troubles.computeIfAbsent(
                                deep.stint().step().id(),
                                k -> new Trouble(last, entry.getKey().zone(), 0))
                        .sides
                        .add(entry.getKey().side());
            }
            for (var t : troubles.values()) {
                var step = t.span.stint().step();
                int depth = Math.min(2, plan.ceiling(step));
                plan.report(
                        rule(),
                        plan.at(t.span, t.zone, t.side()),
                        "Nothing calms " + t.zone.label().toLowerCase(Locale.ROOT) + " after "
                                + plan.number(step).toLowerCase(Locale.ROOT)
                                + ", its last deep one: deep work left unflushed stays sore.",
                        "Flush the zone with a light broad stroke before leaving it.",
                        depth < 1
                                ? null
                                : new Mend(
                                        "Add 20 s flush after "
                                                + plan.number(step).toLowerCase(Locale.ROOT),
                                        s -> s.inserting(
                                                step.id(),
                                                palmStroke(
                                                        plan,
                                                        step,
                                                        "flush",
                                                        "Flush, palm glide",
                                                        depth,
                                                        20,
                                                        Phase.FLUSH),
                                                1)));
            }
        }
    }

    static final class BothSides implements Check {
        @Override
        public Rule rule() {
            return Rule.ORDER_SIDES;
        }

        @Override
        public void look(Plan plan) {
            var missing = new TreeSet<Zone>();
            var leftOut = EnumSet.noneOf(Side.class);
            double left = 0;
            double right = 0;
            for (var entry : plan.touches.entrySet()) {
                Half half = entry.getKey();
                if (half.zone().paired()
                        && !plan.touches.containsKey(
                                new Half(half.zone(), half.side().other()))) {
                    missing.add(half.zone());
                    leftOut.add(half.side().other());
                }
            }
            for (var span : plan.timeline.spans()) {
                if (span.stint().step().zones().stream().noneMatch(Zone::paired)) continue;
                if (span.stint().side() == Side.LEFT) left += span.seconds();
                if (span.stint().side() == Side.RIGHT) right += span.seconds();
            }
            if (!missing.isEmpty()) reportMissing(plan, missing, leftOut);
            else if (left > 0 && right > 0) {
                double ratio = Math.min(left, right) / Math.max(left, right);
                if (ratio < plan.profile.order().sideRatio() - 1e-9) reportRatio(plan, left, right, ratio);
            }
            reportRestart(plan);
        }

        private void reportMissing(Plan plan, Set<Zone> missing, Set<Side> leftOut) {
            var steps = plan.steps.stream()
                    .filter(s -> (s.side() == Sides.LEFT || s.side() == Sides.RIGHT)
                            && s.zones().stream().anyMatch(missing::contains))
                    .toList();
            var names = String.join(
                    ", ",
                    missing.stream()
                            .map(z -> z.label().toLowerCase(Locale.ROOT))
                            .toList());
            var ids = new HashSet<>(steps.stream().map(Step::id).toList());
            var where = new Where(
                    steps.isEmpty() ? null : steps.get(0).id(),
                    missing.iterator().next(),
                    leftOut.size() == 1 ? leftOut.iterator().next() : null,
                    null);
            plan.report(
                    rule(),
                    where,
                    "The " + (leftOut.size() == 1 ? leftOut.iterator().next() + " side" : "other side")
                            + " is left out: " + names + ". Work on a paired zone is due on both sides.",
                    "Do these steps on each side.",
                    steps.isEmpty()
                            ? null
                            : new Mend(
                                    "Do " + steps.size() + (steps.size() == 1 ? " step" : " steps") + " on each side",
                                    s -> s.withBlocks(s.blocks().stream()
                                            .map(b -> eachSide(b, ids))
                                            .toList())));
        }

        private static Block eachSide(Block block, Set<String> ids) {
            var steps = new ArrayList<Step>();
            for (var s : block.steps()) steps.add(!ids.contains(s.id()) ? s : s.with(e -> e.side = Sides.EACH));
            // A block that now holds work for each side is run through side by side, so that the warm-up comes again
            // with it.
            boolean all = steps.stream().allMatch(s -> s.side() == Sides.EACH);
            return new Block(
                    block.id(), block.name(), block.order(), all ? Block.Repeat.EACH_SIDE : block.repeat(), steps);
        }

        private void reportRatio(Plan plan, double left, double right, double ratio) {
            var shorter = plan.steps.stream()
                    .filter(s -> s.secondSide() != null)
                    .map(Step::id)
                    .toList();
            plan.report(
                    rule(),
                    new Where(null, null, left < right ? Side.LEFT : Side.RIGHT, null),
                    "Left side runs " + mmss(left) + ", right side " + mmss(right) + " (" + number(ratio)
                            + "; at least " + number(plan.profile.order().sideRatio())
                            + "): the second side deserves what the first one got.",
                    "Give both sides the same doses.",
                    shorter.isEmpty()
                            ? null
                            : new Mend("Even out the sides", s -> {
                                var result = s;
                                for (var id : shorter) result = result.replacing(id, step -> step.withSecondSide(null));
                                return result;
                            }));
        }

        private void reportRestart(Plan plan) {
            @Nullable Span first = null;
            for (var span : plan.timeline.spans())
                if (span.stint().second()) {
                    first = span;
                    break;
                }
            if (first == null) return;
            var step = first.stint().step();
            if (step.depth() < plan.firm() && !step.tool().pointed()) return;
            plan.report(
                    rule(),
                    plan.at(first, null, first.stint().side()),
                    "The second side starts with " + plan.number(step).toLowerCase(Locale.ROOT) + " at depth "
                            + step.depth() + ", " + step.tool().label()
                            + ": it has not been warmed by what was done on the first.",
                    "Start the second side again at the gentle opening.",
                    null);
        }
    }

    /** Ears together or one at a time: a row of both sides that is the school's to decide. */
    static final class Ears implements Check {
        @Override
        public Rule rule() {
            return Rule.ORDER_SIDES;
        }

        @Override
        public void look(Plan plan) {
            boolean together = plan.profile.ways().ears() == Ways.Ears.TOGETHER;
            for (var step : plan.steps) {
                if (!step.zones().contains(Zone.EARS)) continue;
                var to = together ? Sides.BOTH : Sides.EACH;
                if (step.side() == to || !together && step.side() != Sides.BOTH) continue;
                plan.report(
                        rule(),
                        new Where(step.id(), Zone.EARS, null, null),
                        plan.number(step)
                                + (together
                                        ? " takes one ear after the other; this school works both together, for balance."
                                        : " takes both ears at once; this school works one at a time, so that one ear hears."),
                        together ? "Work both ears together." : "Work one ear at a time.",
                        new Mend(
                                together ? "Both ears together" : "One ear at a time",
                                s -> s.replacing(
                                        step.id(),
                                        x -> x.with(e -> {
                                            e.side = to;
                                            e.secondSide = null;
                                        }))));
            }
        }
    }

    /** Warm-up edges a safety rule needs: on each half, every warming stint before the first firm one. */
    static Map<Stint, List<Stint>> warmEdges(List<Stint> stints, int firm) {
        var touched = new LinkedHashMap<Half, List<Stint>>();
        for (var stint : stints)
            for (var half : stint.halves())
                touched.computeIfAbsent(half, h -> new ArrayList<>()).add(stint);
        var edges = new LinkedHashMap<Stint, List<Stint>>();
        for (var list : touched.values()) {
            var warmers = new ArrayList<Stint>();
            for (var stint : list) {
                if (stint.step().depth() >= firm) {
                    for (var w : warmers) {
                        var to = edges.computeIfAbsent(w, k -> new ArrayList<>());
                        if (!to.contains(stint)) to.add(stint);
                    }
                } else if (stint.step().calms(firm)
                        && list.stream()
                                .anyMatch(s ->
                                        s.index() > stint.index() && s.step().depth() >= firm)) warmers.add(stint);
            }
        }
        return edges;
    }
}
