package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.List;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Ways;
import palmtally.core.sequence.Lubricant;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Sides;
import palmtally.core.technique.Stroke;
import palmtally.core.technique.Tool;

/** The opening: still hands, or clothed movement, as the school teaches. */
@AutoService(Rule.Source.class)
public final class SettleFirst implements Check {
    public static final Rule RULE = new Rule(
            "ORDER-PREREQ/settle-first",
            Criterion.ORDER,
            Severity.HINT,
            "The opening: still hands, or clothed movement, as the school teaches.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        var first = plan.inTime().get(0);
        var stroke = first.technique().stroke();
        boolean still = plan.profile.ways().opening() == Ways.Opening.SETTLE;
        boolean met = still
                ? stroke == Stroke.STILL_HOLD || first.depth() == 0
                : first.sheet() != Sheet.OPEN && (stroke == Stroke.VIBRATION || stroke.bigMovement());
        if (met) return;
        plan.report(
                RULE,
                new Where(first.id(), null, null, 0L),
                still
                        ? plan.number(first)
                                + " starts to stroke at once: still hands first let the client arrive and feel where you are."
                        : plan.number(first)
                                + " opens with the sheet or with still hands; this school opens with movement, clothed or through the sheet, and then offers the choice.",
                RULE.meaning(),
                new Mend(still ? "Settle for 20 s first" : "Rock for 60 s through the sheet first", s -> {
                    var added = first.with(e -> {
                        e.made(
                                s.freshId("open"),
                                still ? "Settle" : "Clothed opening, rocking",
                                plan.use(still ? "still-hold" : "rocking"),
                                Tool.PALM,
                                Math.min(1, plan.ceiling(first)),
                                still ? 20 : 60,
                                Phase.SETTLE);
                        if (first.works(plan.profile.draping().sensitive())) {
                            e.zones = List.of(plan.neutral(first.position()));
                            e.side = Sides.BOTH;
                        }
                        e.lubricant = Lubricant.DRY;
                        e.sheet = Sheet.THROUGH;
                        e.say = new ArrayList<>(first.say().stream()
                                .filter(w -> w.kind().opens())
                                .toList());
                    });
                    return s.inserting(first.id(), added, 0);
                }));
    }

    @Override
    public void bind(HardLinks links) {
        var first = links.steps().get(0);
        if (first.phase() == Phase.SETTLE || first.phase() == Phase.ASSESS)
            for (var step : links.steps()) links.link(first, step);
    }
}
