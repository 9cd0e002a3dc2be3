package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;

/** The opposing muscles are treated too. */
@AutoService(Rule.Source.class)
public final class Opposing implements Check {
    public static final Rule RULE =
            new Rule("ORDER-OPPOSE", Criterion.ORDER, Severity.HINT, "The opposing muscles are treated too.");

    /** Muscles that pull against each other; each list is one side of a joint. */
    private static final Map<Set<Zone>, Set<Zone>> PAIRS = new LinkedHashMap<>();

    static {
        PAIRS.put(EnumSet.of(Zone.UPPER_BACK, Zone.SHOULDER_BLADE), EnumSet.of(Zone.CHEST_WALL));
        PAIRS.put(EnumSet.of(Zone.HAMSTRINGS), EnumSet.of(Zone.THIGH_FRONT));
        PAIRS.put(EnumSet.of(Zone.FOREARM_FLEXORS), EnumSet.of(Zone.FOREARM_EXTENSORS));
        PAIRS.put(EnumSet.of(Zone.CALF, Zone.CALF_CENTRE), EnumSet.of(Zone.SHIN));
        PAIRS.put(EnumSet.of(Zone.LUMBAR), EnumSet.of(Zone.BELLY));
    }

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        var touched = new HashSet<Zone>();
        plan.steps.forEach(s -> touched.addAll(s.zones()));
        PAIRS.forEach((one, other) -> {
            judge(plan, touched, one, other);
            judge(plan, touched, other, one);
        });
    }

    private void judge(Plan plan, Set<Zone> touched, Set<Zone> worked, Set<Zone> opposing) {
        if (opposing.stream().anyMatch(touched::contains)) return;
        for (var step : plan.steps) {
            var zone = step.zones().stream().filter(worked::contains).findFirst();
            if (zone.isEmpty() || step.depth() < plan.firm()) continue;
            var missing = opposing.iterator().next();
            plan.report(
                    RULE,
                    new Where(step.id(), zone.get(), null, null),
                    zone.get().label() + " is treated and its opponent, "
                            + missing.label().toLowerCase(Locale.ROOT)
                            + ", is left out: what is loosened on one side is pulled back from the other.",
                    "Treat the opposing muscles here, or in another sequence of the term.",
                    null);
            return;
        }
    }
}
