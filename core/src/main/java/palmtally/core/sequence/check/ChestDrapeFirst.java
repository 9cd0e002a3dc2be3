package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.HashSet;
import palmtally.core.body.DrapeUnit;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.DrapeMethod;
import palmtally.core.profile.Ways;
import palmtally.core.sequence.Sheet;

/** The abdomen is opened under a chest drape. */
@AutoService(Rule.Source.class)
public final class ChestDrapeFirst implements Check {
    public static final Rule RULE =
            new Rule("DRAPE-CHEST", Criterion.DRAPING, Severity.STOP, "The abdomen is opened under a chest drape.");

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
        boolean arms = plan.profile.ways().chest() == Ways.ChestSheet.ARMS_OVER_SHEET;
        var seen = new HashSet<String>();
        for (var span : plan.timeline.spans()) {
            var step = span.stint().step();
            var block = plan.sequence.blocks().get(span.stint().block());
            boolean opens =
                    step.sheet() == Sheet.OPEN && step.zones().stream().anyMatch(z -> z.unit() == DrapeUnit.ABDOMEN);
            boolean without = block.drape() == null ? arms : block.drape() != DrapeMethod.ABDOMEN;
            if (!opens || !without || block.drape() == DrapeMethod.CHEST_DRAPE || !seen.add(block.id())) continue;
            plan.report(
                    RULE,
                    plan.at(span, step.zones().get(0), null),
                    plan.number(step)
                            + " opens the abdomen with nothing on the chest but the sheet that is drawn down for it.",
                    "Lay a chest drape over, draw the sheet from under it and tuck it tight, then open the abdomen.",
                    new Mend("Chest drape first", s -> s.draping(block.id(), DrapeMethod.ABDOMEN)));
        }
    }
}
