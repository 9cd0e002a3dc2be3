package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.HashSet;
import java.util.Set;
import java.util.TreeSet;
import palmtally.core.body.Region;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Lubricant;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Timeline.OpenUnit;

/** Never two limbs open at once. */
@AutoService(Rule.Source.class)
public final class TwoOpen implements Check {
    public static final Rule RULE =
            new Rule("DRAPE-TWO", Criterion.DRAPING, Severity.WARN, "Never two limbs open at once.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public boolean aboutSheet() {
        return true;
    }

    @Override
    public void look(Plan plan) {
        var seen = new HashSet<String>();
        for (var span : plan.timeline.spans()) {
            var step = span.stint().step();
            if (step.zones().stream().allMatch(z -> z.region() == Region.FOOT))
                continue; // feet: the sheet folds back at the ankles
            var limbs = limbs(span.open());
            if (limbs.size() < 2 || !seen.add(step.id())) continue;
            boolean sides = step.side() == Sides.BOTH;
            plan.report(
                    RULE,
                    plan.at(span, step.zones().get(0), null),
                    plan.number(step) + " has " + String.join(" and ", limbs)
                            + " open at once: the client gets cold and loses the hold of the sheet.",
                    "Open one limb, close it, then open the other.",
                    sides
                            ? new Mend(
                                    "Do it one side at a time",
                                    s -> s.replacing(step.id(), x -> x.with(e -> e.side = Sides.EACH)))
                            : new Mend(
                                    "Work through the sheet",
                                    s -> s.replacing(
                                            step.id(),
                                            x -> x.with(e -> {
                                                e.sheet = Sheet.THROUGH;
                                                e.lubricant = Lubricant.DRY;
                                            }))));
        }
    }

    private static Set<String> limbs(Set<OpenUnit> open) {
        var limbs = new TreeSet<String>();
        for (var o : open)
            switch (o.unit()) {
                case ARM -> limbs.add("the " + o.side() + " arm");
                case LEG, HIP -> limbs.add("the " + o.side() + " leg");
                default -> {}
            }
        return limbs;
    }
}
