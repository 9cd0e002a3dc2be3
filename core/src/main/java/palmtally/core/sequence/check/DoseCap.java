package palmtally.core.sequence.check;

import static palmtally.core.finding.Spoken.number;

import com.google.auto.service.AutoService;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.DoseWindow;

/** Never over the cap: a bound of safety, where the window is one of habit. */
@AutoService(Rule.Source.class)
public final class DoseCap implements Check {
    public static final Rule RULE =
            new Rule("DOSE-CAP", Criterion.PRESSURE, Severity.STOP, "Never over the cap of the dose table.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        for (var step : plan.steps) {
            var window = DoseWindow.of(step, plan.profile).orElse(null);
            if (window == null || !window.passesCap(step.dose()) && !window.passesCap(step.secondSide())) continue;
            double given = window.measure(step.dose());
            if (step.secondSide() != null) given = Math.max(given, window.measure(step.secondSide()));
            var first = window.clamp(step.dose());
            var second = step.secondSide() == null ? null : window.clamp(step.secondSide());
            plan.report(
                    RULE,
                    new Where(step.id(), step.zones().get(0), null, null),
                    plan.number(step) + " goes on for " + number(given) + " s" + window.each() + "; never over "
                            + number(window.cap()) + " s" + window.each() + window.why() + ".",
                    "Stop at the cap; look again another day.",
                    new Mend(
                            "Set to " + number(window.measure(first)) + " s" + window.each(),
                            s -> s.replacing(step.id(), x -> x.withDose(first).withSecondSide(second))));
        }
    }
}
