package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.Locale;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Care;
import palmtally.core.sequence.Lubricant;
import palmtally.core.sequence.Step;

/** Hands wiped before the face. */
@AutoService(Rule.Source.class)
public final class CleanHands implements Check {
    public static final Rule RULE =
            new Rule("CLEAN-FACE", Criterion.DRAPING, Severity.WARN, "Hands wiped before the face.");

    private static final Set<Zone> FACE = Set.of(Zone.FACE, Zone.EARS, Zone.JAW_MUSCLES, Zone.INSIDE_MOUTH);

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        boolean elsewhere = false;
        @Nullable Step dirtied = null;
        for (var step : plan.inTime()) {
            boolean face = step.zones().stream().anyMatch(FACE::contains);
            if (step.care().contains(Care.HANDS_WIPED)) elsewhere = false;
            if (face && elsewhere && dirtied != null && step.depth() > 0) {
                plan.report(
                        RULE,
                        new Where(step.id(), step.zones().get(0), null, null),
                        plan.number(step) + " goes to the face straight from "
                                + dirtied.zones().get(0).label().toLowerCase(Locale.ROOT)
                                + ": what is on the hands ends up in eyes and mouth.",
                        "Wipe the hands before the face.",
                        new Mend(
                                "Wipe hands before " + plan.number(step).toLowerCase(Locale.ROOT),
                                s -> s.replacing(step.id(), x -> x.with(e -> e.care.add(Care.HANDS_WIPED)))));
                return;
            }
            if (!face
                    && step.depth() > 0
                    && (step.lubricant() != Lubricant.DRY
                            || step.zones().get(0).unit().draped())) {
                elsewhere = true;
                dirtied = step;
            }
        }
    }
}
