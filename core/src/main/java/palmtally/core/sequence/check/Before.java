package palmtally.core.sequence.check;

import java.util.Locale;
import java.util.Optional;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.sequence.Step;

/** A rule of the shape "first before then": somewhere before a step of the one kind there must be one of the other. */
public abstract class Before implements Check {
    private final Rule rule;
    private final Shared shared;
    private final String why;
    private final Added add;

    /**
     * @param why the end of the sentence after the name of the step
     * @param add the step to put before it
     */
    Before(Rule rule, Shared shared, String why, Added add) {
        this.rule = rule;
        this.shared = shared;
        this.why = why;
        this.add = add;
    }

    @Override
    public final Rule rule() {
        return rule;
    }

    /** Whether a step is such as must come first. */
    protected abstract boolean first(Step step);

    /** Whether a step is such as must be prepared. */
    protected abstract boolean then(Step step);

    private boolean must(Step step) {
        return !step.settles() && then(step);
    }

    /** Whether {@code then} must be prepared and {@code first} prepares it. */
    public final boolean prepares(Step first, Step then) {
        return must(then) && suits(first, then);
    }

    private boolean suits(Step first, Step then) {
        return first(first) && shared.by(first, then);
    }

    /** The first step that must be prepared and is not. */
    @Override
    public final void look(Plan plan) {
        var steps = plan.inTime();
        for (int i = 0; i < steps.size(); i++) {
            var step = steps.get(i);
            if (!must(step) || steps.subList(0, i).stream().anyMatch(s -> suits(s, step))) continue;
            var later = steps.subList(i + 1, steps.size()).stream()
                    .filter(s -> suits(s, step) && !then(s))
                    .findFirst();
            plan.report(
                    rule,
                    new Where(step.id(), step.zones().get(0), null, null),
                    plan.number(step) + why,
                    rule.meaning(),
                    mend(plan, step, later));
            return;
        }
    }

    private Mend mend(Plan plan, Step step, Optional<Step> later) {
        var name = plan.number(step).toLowerCase(Locale.ROOT);
        return later.filter(l -> plan.canMove(l, step))
                .map(l -> new Mend(
                        "Move " + plan.number(l).toLowerCase(Locale.ROOT) + " before " + name,
                        s -> s.moving(l.id(), step.id(), 0)))
                .orElseGet(() -> new Mend(
                        "Add " + add.label() + " before " + name,
                        s -> s.inserting(step.id(), add.beside(plan, s, step), 0)));
    }

    @Override
    public final void bind(HardLinks links) {
        var steps = links.steps();
        for (int j = 0; j < steps.size(); j++) {
            var then = steps.get(j);
            if (!must(then)) continue;
            steps.subList(0, j).stream().filter(s -> suits(s, then)).findFirst().ifPresent(s -> links.link(s, then));
        }
    }
}
