package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.technique.Technique.Effort;

/** Under the ribs with the breath: the wall of the belly gives way as it goes out. */
@AutoService(Rule.Source.class)
public final class OutBreath implements Check {
    public static final Rule RULE = new Rule(
            "PRESS-BREATH", Criterion.PRESSURE, Severity.WARN, "Under the rib edge the hand sinks on the out-breath.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        for (var step : plan.steps) {
            if (!step.zones().contains(Zone.RIB_EDGE) || step.depth() < 2 || step.onTheOutBreath()) continue;
            plan.report(
                    RULE,
                    new Where(step.id(), Zone.RIB_EDGE, null, null),
                    plan.number(step)
                            + " sinks under the rib edge without the breath: on the out-breath the wall gives way, else the hand presses organs against it.",
                    "Hold on the in-breath, sink on the out-breath.",
                    new Mend(
                            "Sink on the out-breath",
                            s -> s.replacing(step.id(), x -> x.with(e -> e.effort = Effort.BREATH))));
        }
    }
}
