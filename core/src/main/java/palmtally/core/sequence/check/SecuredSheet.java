package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.HashSet;
import palmtally.core.body.DrapeUnit;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.DrapeMethod;
import palmtally.core.profile.Ways;
import palmtally.core.sequence.Care;
import palmtally.core.sequence.Lubricant;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Timeline.Span;

/** The sheet is secured before a big stretch or limb lift. */
@AutoService(Rule.Source.class)
public final class SecuredSheet implements Check {
    public static final Rule RULE = new Rule(
            "DRAPE-SECURE",
            Criterion.DRAPING,
            Severity.WARN,
            "The sheet is secured before a big stretch or limb lift.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public boolean aboutSheet() {
        return true;
    }

    private static boolean armsHold(Plan plan, Span span) {
        var drape = plan.sequence.blocks().get(span.stint().block()).drape();
        return drape == null
                ? plan.profile.ways().chest() == Ways.ChestSheet.ARMS_OVER_SHEET
                : drape == DrapeMethod.CHEST_ARMS;
    }

    @Override
    public void look(Plan plan) {
        var seen = new HashSet<String>();
        for (var span : plan.timeline.spans()) {
            var step = span.stint().step();
            boolean big = step.technique().stroke().bigMovement();
            if (!big || step.zones().stream().noneMatch(Zone::movesSheet)) continue;
            boolean chest = step.sheet() == Sheet.OPEN
                    && step.zones().stream().anyMatch(z -> z.unit() == DrapeUnit.CHEST || z == Zone.ARMPIT);
            if (chest && armsHold(plan, span) && seen.add(step.id())) {
                plan.report(
                        RULE,
                        plan.at(span, step.zones().get(0), span.stint().side()),
                        plan.number(step)
                                + " moves the arm that holds the sheet on the chest: the anchor goes and the sheet with it.",
                        "Cover the chest for the movement, or use a tight chest drape.",
                        new Mend(
                                "Move through the sheet",
                                s -> s.replacing(
                                        step.id(),
                                        x -> x.with(e -> {
                                            e.sheet = Sheet.THROUGH;
                                            e.lubricant = Lubricant.DRY;
                                            e.care.add(Care.SHEET_SECURED);
                                        }))));
            } else if (step.sheet() == Sheet.OPEN && !step.securesSheet() && seen.add(step.id()))
                plan.report(
                        RULE,
                        plan.at(span, step.zones().get(0), span.stint().side()),
                        plan.number(step)
                                + " is a big movement with the sheet open and not secured: it slides when the limb goes.",
                        "Tuck the edge under or hold it before the limb moves.",
                        new Mend(
                                "Secure the sheet first",
                                s -> s.replacing(step.id(), x -> x.with(e -> e.care.add(Care.SHEET_SECURED)))));
        }
    }
}
