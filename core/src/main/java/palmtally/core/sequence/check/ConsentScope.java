package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.HashSet;
import java.util.Locale;
import palmtally.core.body.Region;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Profile.GlutealWay;
import palmtally.core.sequence.Lubricant;
import palmtally.core.sequence.SayKind;
import palmtally.core.sequence.Saying;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Step;

/** Work inside the permission: the gluteals as the school reaches them, and bare skin only where bare skin was asked for. */
@AutoService(Rule.Source.class)
public final class ConsentScope implements Check {
    public static final Rule RULE = new Rule(
            "CONSENT-SCOPE",
            Criterion.DRAPING,
            Severity.STOP,
            "Work stays inside the permission: zone, skin or through the sheet, until withdrawn.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        for (var step : plan.steps) gluteals(plan, step);
        var through = new HashSet<Region>();
        var asked = new HashSet<Region>();
        for (var span : plan.timeline.spans()) {
            var step = span.stint().step();
            for (var zone : step.zones()) {
                if (!plan.profile.draping().sensitive().contains(zone) || step.depth() == 0) continue;
                boolean now = step.says(SayKind.CONSENT);
                if (step.sheet() == Sheet.THROUGH && now) through.add(zone.region());
                if (step.sheet() == Sheet.OPEN && now) asked.add(zone.region());
                if (step.sheet() != Sheet.OPEN || !through.contains(zone.region()) || !asked.add(zone.region()))
                    continue;
                plan.report(
                        RULE,
                        plan.at(span, zone, span.stint().side()),
                        plan.number(step) + " opens " + zone.label().toLowerCase(Locale.ROOT)
                                + " and permission was given through the sheet only: ask again once it is open.",
                        "Ask again before the skin is touched, or stay on the sheet.",
                        new Mend(
                                "Ask again in " + plan.number(step).toLowerCase(Locale.ROOT),
                                s -> s.replacing(
                                        step.id(),
                                        x -> x.saying(Saying.of(
                                                SayKind.CONSENT,
                                                "Is it all right without the sheet, on the "
                                                        + zone.label().toLowerCase(Locale.ROOT) + "?")))));
                break;
            }
        }
    }

    private void gluteals(Plan plan, Step step) {
        var way = plan.profile.draping().gluteals();
        if (step.sheet() != Sheet.OPEN || step.zones().stream().noneMatch(Zone.GLUTEAL::contains)) return;
        boolean bothSides = step.side() == Sides.BOTH || step.side() == Sides.MIDLINE;
        if (way == GlutealWay.BARE || way == GlutealWay.SIDE_ONLY && !bothSides) return;
        var zone =
                step.zones().stream().filter(Zone.GLUTEAL::contains).findFirst().orElseThrow();
        plan.report(
                RULE,
                new Where(step.id(), zone, null, null),
                plan.number(step) + " bares " + zone.label().toLowerCase(Locale.ROOT)
                        + (way == GlutealWay.THROUGH_SHEET
                                ? "; this school works them through a taut sheet, which is a full alternative."
                                : " on both sides; this school bares one side at a time."),
                way == GlutealWay.THROUGH_SHEET ? "Work through the sheet." : "Open one side at a time.",
                way == GlutealWay.THROUGH_SHEET
                        ? new Mend(
                                "Work through the sheet",
                                s -> s.replacing(
                                        step.id(),
                                        x -> x.with(e -> {
                                            e.sheet = Sheet.THROUGH;
                                            e.lubricant = Lubricant.DRY;
                                        })))
                        : new Mend(
                                "Do it one side at a time",
                                s -> s.replacing(step.id(), x -> x.with(e -> e.side = Sides.EACH))));
    }
}
