package palmtally.core.sequence.check;

import static palmtally.core.finding.Spoken.mmss;
import static palmtally.core.finding.Spoken.number;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Ways;
import palmtally.core.sequence.Block;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Stint.Half;
import palmtally.core.sequence.Timeline.Span;

/** Both sides, the second from its gentle opening, in about the same time. */
@AutoService(Rule.Source.class)
public final class BothSides implements Check {
    public static final Rule RULE = new Rule(
            "ORDER-SIDES",
            Criterion.ORDER,
            Severity.WARN,
            "Both sides, the second from its gentle opening, in about the same time.");

    @Override
    public Rule rule() {
        return RULE;
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
        ears(plan);
    }

    private void reportMissing(Plan plan, Set<Zone> missing, Set<Side> leftOut) {
        var steps = plan.steps.stream()
                .filter(s -> (s.side() == Sides.LEFT || s.side() == Sides.RIGHT)
                        && s.zones().stream().anyMatch(missing::contains))
                .toList();
        var names = String.join(
                ", ",
                missing.stream().map(z -> z.label().toLowerCase(Locale.ROOT)).toList());
        var ids = new HashSet<>(steps.stream().map(Step::id).toList());
        var where = new Where(
                steps.isEmpty() ? null : steps.get(0).id(),
                missing.iterator().next(),
                leftOut.size() == 1 ? leftOut.iterator().next() : null,
                null);
        plan.report(
                RULE,
                where,
                "The " + (leftOut.size() == 1 ? leftOut.iterator().next() + " side" : "other side") + " is left out: "
                        + names + ". Work on a paired zone is due on both sides.",
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
                block.id(),
                block.name(),
                block.order(),
                all ? Block.Repeat.EACH_SIDE : block.repeat(),
                block.drape(),
                steps);
    }

    private void reportRatio(Plan plan, double left, double right, double ratio) {
        var shorter = plan.steps.stream()
                .filter(s -> s.secondSide() != null)
                .map(Step::id)
                .toList();
        plan.report(
                RULE,
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
                RULE,
                plan.at(first, null, first.stint().side()),
                "The second side starts with " + plan.number(step).toLowerCase(Locale.ROOT) + " at depth "
                        + step.depth() + ", " + step.tool().label()
                        + ": it has not been warmed by what was done on the first.",
                "Start the second side again at the gentle opening.",
                null);
    }

    /** Ears together or one at a time: a row of both sides that is the school's to decide. */
    private void ears(Plan plan) {
        boolean together = plan.profile.ways().ears() == Ways.Ears.TOGETHER;
        for (var step : plan.steps) {
            if (!step.zones().contains(Zone.EARS)) continue;
            var to = together ? Sides.BOTH : Sides.EACH;
            if (step.side() == to || !together && step.side() != Sides.BOTH) continue;
            plan.report(
                    RULE,
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
