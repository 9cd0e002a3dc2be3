package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Lubricant;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Saying;
import palmtally.core.sequence.Sheet;

/** The line of the sternum: permission asked for it alone, as it comes, and over the sheet (common practice, no source). */
@AutoService(Rule.Source.class)
public final class SternumAsked implements Check {
    public static final Rule RULE = new Rule(
            "CONSENT-STERNUM",
            Criterion.DRAPING,
            Severity.STOP,
            "The line of the sternum by permission asked afresh, over the sheet.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        boolean asked = false;
        for (var step : plan.inTime()) {
            if (!step.zones().contains(Zone.STERNUM) || step.depth() == 0 || step.settles()) continue;
            asked |= step.says(SayKind.CONSENT);
            var where = new Where(step.id(), Zone.STERNUM, null, null);
            if (!asked)
                plan.report(
                        RULE,
                        where,
                        plan.number(step)
                                + " touches the sternum and asks nothing as it comes there: a yes to the chest is none to the line between the breasts.",
                        "Ask for it alone, as the hand comes there.",
                        new Mend(
                                "Ask in " + plan.number(step).toLowerCase(java.util.Locale.ROOT),
                                s -> s.replacing(
                                        step.id(),
                                        x -> x.saying(Saying.of(
                                                SayKind.CONSENT,
                                                "May I work along the breastbone, over the sheet?")))));
            asked = true;
            if (step.sheet() == Sheet.OPEN && !plan.clothed())
                plan.report(
                        RULE,
                        Where.step(step.id()),
                        plan.number(step) + " bares the line of the sternum: it is worked over the sheet.",
                        "Work dry, over the sheet.",
                        new Mend(
                                "Work dry, over the sheet",
                                s -> s.replacing(
                                        step.id(),
                                        x -> x.with(e -> {
                                            e.sheet = Sheet.THROUGH;
                                            e.lubricant = Lubricant.DRY;
                                        }))));
        }
    }
}
