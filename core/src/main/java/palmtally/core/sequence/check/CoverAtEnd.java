package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Lubricant;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;
import palmtally.core.technique.Tool;

/** Covered at the end. */
@AutoService(Rule.Source.class)
public final class CoverAtEnd implements Check {
    public static final Rule RULE = new Rule("DRAPE-END", Criterion.DRAPING, Severity.WARN, "Covered at the end.");

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
        var spans = plan.timeline.spans();
        var last = spans.get(spans.size() - 1);
        if (last.open().isEmpty()) return;
        var step = last.stint().step();
        plan.report(
                RULE,
                plan.at(last, null, null),
                plan.number(step) + " is the last one and leaves the "
                        + last.open().iterator().next() + " open: covered at the end, or the treatment ends cold.",
                "Cover and close.",
                new Mend("Add cover and close at the end", s -> {
                    var added = step.with(e -> {
                        e.made(
                                s.freshId("cover"),
                                "Cover and close",
                                plan.use("still-hold"),
                                Tool.PALM,
                                1,
                                10,
                                Phase.COVER);
                        e.sheet = Sheet.COVERED;
                        e.lubricant = Lubricant.DRY;
                        e.side = step.zones().stream().anyMatch(Zone::paired) ? Sides.BOTH : Sides.MIDLINE;
                    });
                    return s.appending(added);
                }));
    }

    /** Who covers last covers last, however the rest is put. */
    @Override
    public void bind(HardLinks links) {
        var steps = links.steps();
        var last = steps.get(steps.size() - 1);
        if (last.phase() != Phase.COVER) return;
        for (var step : steps) if (step != last) links.link(step, last);
    }
}
