package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import palmtally.core.body.DrapeUnit;
import palmtally.core.body.Region;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Direction;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Timeline.Span;

/** Thigh and lower leg, as the school opens work on a leg. A flush of the whole limb closes it where the school says so. */
@AutoService(Rule.Source.class)
public final class LimbOrder implements Check {
    public static final Rule RULE =
            new Rule("ORDER-LIMB", Criterion.ORDER, Severity.WARN, "A limb is worked in the order the school teaches.");

    private static final Set<Region> LOWER = Set.of(Region.KNEE, Region.LOWER_LEG);

    @Override
    public Rule rule() {
        return RULE;
    }

    private static boolean thigh(Step step) {
        return step.zones().stream().anyMatch(z -> z.region() == Region.THIGH && z.unit() == DrapeUnit.LEG);
    }

    private static boolean lower(Step step) {
        return step.zones().stream().anyMatch(z -> LOWER.contains(z.region()));
    }

    @Override
    public void look(Plan plan) {
        var sides = new TreeSet<palmtally.core.body.Side>();
        plan.timeline.spans().forEach(s -> sides.add(s.stint().side()));
        for (var side : sides) {
            var leg = plan.timeline.spans().stream()
                    .filter(s -> s.stint().side() == side && s.stint().step().depth() > 1)
                    .filter(s -> thigh(s.stint().step()) || lower(s.stint().step()))
                    .toList();
            if (!leg.isEmpty() && judge(plan, leg)) return;
        }
    }

    private boolean judge(Plan plan, List<Span> leg) {
        var open = leg.get(0);
        var step = open.stint().step();
        boolean both = leg.stream().anyMatch(s -> thigh(s.stint().step()))
                && leg.stream().anyMatch(s -> lower(s.stint().step()));
        var name = plan.number(step);
        switch (plan.profile.order().limb()) {
            case PROXIMAL_DISTAL_PROXIMAL -> {
                if (both && !thigh(step))
                    return order(
                            plan,
                            open,
                            leg,
                            name
                                    + " opens the leg on the lower leg; this school does the thigh first, so that what is moved upward finds the way free.");
                if (step.direction() == Direction.DISTAL && thigh(step))
                    return turn(
                            plan,
                            open,
                            Direction.PROXIMAL,
                            name + " opens the leg downward; this school strokes upward from the knee.");
                var last = leg.get(leg.size() - 1);
                if (both && !thigh(last.stint().step())) return flush(plan, last, leg);
            }
            case FROM_SHEET_EDGE -> {
                if (both && !thigh(step))
                    return order(
                            plan,
                            open,
                            leg,
                            name
                                    + " opens the leg on the lower leg; this school comes down from the sheet's edge, so that the client knows the upper limit.");
                if (step.direction() != null && step.direction() != Direction.DISTAL && thigh(step))
                    return turn(
                            plan,
                            open,
                            Direction.DISTAL,
                            name
                                    + " opens the leg without coming down from the sheet's edge: the client does not yet know the upper limit.");
            }
            case DISTAL_STRIPPING -> {
                if (both && !lower(step))
                    return order(
                            plan,
                            open,
                            leg,
                            name + " opens the leg on the thigh; this school works from distal to proximal.");
                if (step.direction() == Direction.DISTAL)
                    return turn(
                            plan,
                            open,
                            Direction.PROXIMAL,
                            name + " opens the leg downward; this school works from distal to proximal.");
            }
        }
        return false;
    }

    private boolean order(Plan plan, Span open, List<Span> leg, String sentence) {
        var step = open.stint().step();
        boolean wantThigh = !thigh(step);
        var other = leg.stream()
                .map(s -> s.stint().step())
                .filter(s -> wantThigh ? thigh(s) : lower(s))
                .findFirst()
                .orElseThrow();
        plan.report(
                RULE,
                plan.at(open, step.zones().get(0), open.stint().side()),
                sentence,
                "Change the order of thigh and lower leg.",
                plan.canMove(other, step)
                        ? new Mend(
                                "Move " + plan.number(other).toLowerCase(Locale.ROOT) + " before "
                                        + plan.number(step).toLowerCase(Locale.ROOT),
                                s -> s.moving(other.id(), step.id(), 0))
                        : null);
        return true;
    }

    private boolean turn(Plan plan, Span open, Direction to, String sentence) {
        var step = open.stint().step();
        plan.report(
                RULE,
                plan.at(open, step.zones().get(0), open.stint().side()),
                sentence,
                "Open the other way.",
                new Mend("Stroke " + to.label(), s -> s.replacing(step.id(), x -> x.with(e -> e.direction = to))));
        return true;
    }

    private boolean flush(Plan plan, Span last, List<Span> leg) {
        var step = last.stint().step();
        var upper = leg.stream()
                .map(s -> s.stint().step())
                .filter(LimbOrder::thigh)
                .findFirst()
                .orElseThrow();
        plan.report(
                RULE,
                plan.at(last, step.zones().get(0), last.stint().side()),
                plan.number(step)
                        + " leaves the leg at the lower leg; this school flushes the whole limb upward at the end.",
                "End with a light stroke over the whole leg.",
                new Mend(
                        "Add 20 s flush of the whole leg after "
                                + plan.number(step).toLowerCase(Locale.ROOT),
                        s -> {
                            var zones = new ArrayList<>(List.of(step.zones().get(0)));
                            upper.zones().stream()
                                    .filter(z -> z.region() == Region.THIGH)
                                    .limit(1)
                                    .forEach(zones::add);
                            var added = step.with(e -> {
                                e.made(
                                        s.freshId("flush"),
                                        "Flush of the whole leg",
                                        plan.use("effleurage"),
                                        step.tool(),
                                        2,
                                        20,
                                        Phase.FLUSH);
                                e.tool = palmtally.core.technique.Tool.PALM;
                                e.zones = zones;
                                e.direction = Direction.PROXIMAL;
                                e.depth = Math.min(
                                        2,
                                        zones.stream()
                                                .mapToInt(plan.profile.pressure()::ceiling)
                                                .min()
                                                .orElse(2));
                            });
                            return s.inserting(step.id(), added, 1);
                        }));
        return true;
    }
}
