package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import palmtally.core.body.Position;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Ways;
import palmtally.core.sequence.Stance;
import palmtally.core.sequence.TableHeight;

/** The table fits the work: low for deep, higher for light or side-lying, and nobody on its edge where the school forbids it. */
@AutoService(Rule.Source.class)
public final class TableSetting implements Check {
    public static final Rule RULE = new Rule(
            "TABLE",
            Criterion.MECHANICS,
            Severity.WARN,
            "The table fits the work: low for deep, higher for light or side-lying, and nobody on its edge where the school forbids it.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        if (plan.profile.ways().onTable() == Ways.OnTable.NOT)
            for (var step : plan.steps)
                if (step.stance().onTable())
                    plan.report(
                            RULE,
                            Where.step(step.id()),
                            plan.number(step)
                                    + " is done sitting or kneeling on the table; this school keeps the therapist's feet on the floor.",
                            "Stand in horse stance, or sit on a stool.",
                            new Mend(
                                    "Stand in horse stance",
                                    s -> s.replacing(step.id(), x -> x.with(e -> e.stance = Stance.HORSE))));
        var table = plan.sequence.table();
        if (table == null || table == TableHeight.MIDDLE) return;
        var deep = plan.steps.stream().filter(s -> s.depth() >= plan.firm()).findFirst();
        var side = plan.steps.stream()
                .filter(s -> s.position() == Position.SIDE_LEFT || s.position() == Position.SIDE_RIGHT)
                .findFirst();
        var wrong = table == TableHeight.HIGH ? deep : side;
        if (wrong.isEmpty()) return;
        boolean conflict = deep.isPresent() && side.isPresent();
        var to = conflict ? TableHeight.MIDDLE : table == TableHeight.HIGH ? TableHeight.LOW : TableHeight.HIGH;
        plan.report(
                RULE,
                Where.step(wrong.get().id()),
                plan.number(wrong.get())
                        + (table == TableHeight.HIGH
                                ? " goes deep on a high table: the shoulders push where the weight should sink."
                                : " works a side-lying client on a low table: the back bends to reach the top."),
                "Set the table to suit the deepest work, or the side-lying client.",
                new Mend("Set the table " + to, s -> s.onTable(to)));
    }
}
