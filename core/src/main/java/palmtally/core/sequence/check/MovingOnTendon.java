package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.Set;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.technique.Stroke;

/** Static on a trigger point, moving on a tendon. */
@AutoService(Rule.Source.class)
public final class MovingOnTendon implements Check {
    private static final Set<Zone> TENDONS = Set.of(Zone.ACHILLES, Zone.KNEE_INNER);

    public static final Rule RULE = new Rule(
            "ORDER-PREREQ/moving-on-tendon",
            Criterion.ORDER,
            Severity.WARN,
            "Static on a trigger point, moving on a tendon.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        for (var step : plan.steps) {
            if (step.technique().stroke() != Stroke.TRIGGER_POINT || !TENDONS.containsAll(step.zones())) continue;
            plan.report(
                    RULE,
                    new Where(step.id(), step.zones().get(0), null, null),
                    plan.number(step)
                            + " holds still on a tendon: static is for a trigger point, a tendon wants a moving stroke.",
                    "Use friction across the tendon.",
                    new Mend(
                            "Make it cross-fibre friction",
                            s -> s.replacing(
                                    step.id(),
                                    x -> x.with(e -> {
                                        var t = plan.use("cross-fibre");
                                        e.technique = t;
                                        e.dose = t.dose();
                                        e.secondSide = null;
                                        e.minimumSeconds = null;
                                        e.targetSeconds = null;
                                        e.depth = Math.min(x.depth(), t.depth());
                                    }))));
        }
    }
}
