package palmtally.core.sequence.check;

import static palmtally.core.finding.Spoken.number;

import com.google.auto.service.AutoService;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.DoseWindow;
import palmtally.core.technique.Dose;
import palmtally.core.technique.DoseTable;

/** Friction at the rate of the dose table. */
@AutoService(Rule.Source.class)
public final class DoseRate implements Check {
    public static final Rule RULE =
            new Rule("DOSE-RATE", Criterion.PRESSURE, Severity.WARN, "Friction at the rate of the dose table.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        for (var step : plan.steps) {
            var row = DoseWindow.row(step.technique(), step.zones()).filter(DoseTable.Row::hasRate);
            var rate = step.dose().perSecond();
            if (row.isEmpty() || rate == null) continue;
            double low = plan.profile.dose().rateLow(row.get());
            double high = plan.profile.dose().rateHigh(row.get());
            if (rate >= low && rate <= high) continue;
            double to = Math.min(Math.max(rate, low), high);
            plan.report(
                    RULE,
                    Where.step(step.id()),
                    plan.number(step) + " runs at " + number(rate) + " cycles a second; "
                            + number(low) + " to "
                            + number(high) + " keep the tissue under the finger.",
                    "Keep to the rate of the dose table.",
                    new Mend(
                            "Set to " + number(to) + " a second",
                            s -> s.replacing(step.id(), x -> x.withDose(atRate(x.dose(), to)))));
        }
    }

    /** The same time at another rate, so that the mend of the rate does not break the window. */
    private static Dose atRate(Dose dose, double rate) {
        return Dose.cycles((int) Math.max(1, Math.floor(dose.totalSeconds() * rate + 1e-9)), rate);
    }
}
