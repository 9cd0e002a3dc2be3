package palmtally.core.sequence.check;

import java.util.HashSet;
import java.util.Locale;
import palmtally.core.body.Zone;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.sequence.Step;

/** A rule of the shape "then, afterwards": a step of the one kind must be followed on its zone by one of the other. */
abstract class Afterwards implements Check {
    private final Rule rule;

    Afterwards(Rule rule) {
        this.rule = rule;
    }

    @Override
    public final Rule rule() {
        return rule;
    }

    /** Whether a step is such as must be followed. */
    abstract boolean cause(Step step);

    /** Whether a step is such as follows. */
    abstract boolean after(Step step, Plan plan);

    /** The end of the sentence after the name of the step. */
    abstract String why(Plan plan);

    abstract Added add(Plan plan);

    /** Whether the school asks for it at all. */
    boolean asked(Plan plan) {
        return true;
    }

    /** The last step on each zone that must be followed and is not. */
    @Override
    public final void look(Plan plan) {
        if (!asked(plan)) return;
        var steps = plan.inTime();
        var seen = new HashSet<Zone>();
        for (int i = steps.size() - 1; i >= 0; i--) {
            var step = steps.get(i);
            if (!cause(step)) continue;
            boolean met = steps.subList(i + 1, steps.size()).stream()
                    .anyMatch(s -> after(s, plan) && Shared.ZONE.by(step, s));
            if (met || !seen.add(step.zones().get(0))) continue;
            plan.report(
                    rule,
                    new Where(step.id(), step.zones().get(0), null, null),
                    plan.number(step) + why(plan),
                    rule.meaning(),
                    new Mend(
                            "Add " + add(plan).label() + " after "
                                    + plan.number(step).toLowerCase(Locale.ROOT),
                            s -> s.inserting(step.id(), add(plan).beside(plan, s, step), 1)));
        }
    }

    @Override
    public final void bind(HardLinks links) {
        if (!asked(links.plan())) return;
        var steps = links.steps();
        for (int i = 0; i < steps.size(); i++) {
            var step = steps.get(i);
            if (!cause(step)) continue;
            for (int j = steps.size() - 1; j > i; j--)
                if (after(steps.get(j), links.plan()) && Shared.ZONE.by(step, steps.get(j))) {
                    links.link(step, steps.get(j));
                    break;
                }
        }
    }
}
