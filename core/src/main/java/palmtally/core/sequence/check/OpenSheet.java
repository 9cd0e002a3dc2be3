package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Lubricant;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Step;

/** Work where the sheet is open, or through it; never under a closed sheet. */
@AutoService(Rule.Source.class)
public final class OpenSheet implements Check {
    public static final Rule RULE = new Rule(
            "DRAPE-OPEN",
            Criterion.DRAPING,
            Severity.WARN,
            "Work where the sheet is open, or through it; never under a closed sheet.");

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
        for (var step : plan.steps) {
            if (!step.draped()) continue;
            boolean under = step.sheet() == Sheet.COVERED && step.depth() >= 2;
            boolean oil = step.sheet() != Sheet.OPEN && step.lubricant() != Lubricant.DRY && step.depth() > 0;
            if (!under && !oil) continue;
            plan.report(
                    RULE,
                    new Where(step.id(), step.zones().get(0), null, null),
                    plan.number(step)
                            + (oil
                                    ? " puts lubricant where the sheet is not open: it ends up in the linen."
                                    : " works at depth " + step.depth()
                                            + " under a closed sheet: neither open nor through it, so nobody sees what the hand does."),
                    "Open what is worked, or work dry through a taut sheet.",
                    under ? seen(plan, step) : dry(step));
        }
    }

    /** A hand under a closed sheet: opened, or through the sheet where the zone is sensitive. */
    private static Mend seen(Plan plan, Step step) {
        boolean sensitive = step.works(plan.profile.draping().sensitive());
        return sensitive
                ? new Mend(
                        "Work dry through the sheet",
                        s -> s.replacing(
                                step.id(),
                                x -> x.with(e -> {
                                    e.sheet = Sheet.THROUGH;
                                    e.lubricant = Lubricant.DRY;
                                })))
                : new Mend("Open the sheet", s -> s.replacing(step.id(), x -> x.with(e -> e.sheet = Sheet.OPEN)));
    }

    /** What lies as it is meant to, with lubricant in the linen. */
    private static Mend dry(Step step) {
        return new Mend(
                step.sheet() == Sheet.THROUGH ? "Work dry through the sheet" : "Leave the lubricant out",
                s -> s.replacing(step.id(), x -> x.with(e -> e.lubricant = Lubricant.DRY)));
    }
}
