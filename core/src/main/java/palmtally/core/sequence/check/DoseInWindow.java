package palmtally.core.sequence.check;

import static palmtally.core.finding.Spoken.number;

import com.google.auto.service.AutoService;
import java.util.Objects;
import org.hipparchus.util.FastMath;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.DoseWindow;
import palmtally.core.sequence.Step;
import palmtally.core.technique.Dose;

/** A dose inside the window of the dose table. */
@AutoService(Rule.Source.class)
public final class DoseInWindow implements Check {
    public static final Rule RULE =
            new Rule("DOSE-WINDOW", Criterion.PRESSURE, Severity.WARN, "A dose inside the window of the dose table.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        for (var step : plan.steps) {
            var window = DoseWindow.of(step, plan.profile).orElse(null);
            if (window == null) continue;
            if (window.breaths() && step.dose().kind() != Dose.Kind.BREATHS) {
                breaths(plan, step);
                continue;
            }
            if (window.passesCap(step.dose()) || window.passesCap(step.secondSide())) continue;
            var first = window.clamp(step.dose());
            var second = step.secondSide() == null ? null : window.clamp(step.secondSide());
            if (first.equals(step.dose()) && Objects.equals(second, step.secondSide())) {
                holds(plan, step, window);
                continue;
            }
            var wrong = first.equals(step.dose()) && step.secondSide() != null ? step.secondSide() : step.dose();
            plan.report(
                    RULE,
                    Where.step(step.id()),
                    plan.number(step) + " gives " + number(window.measure(wrong)) + " s" + window.each() + "; "
                            + window.says() + ".",
                    "Bring the dose into the window.",
                    new Mend(
                            "Set to " + number(window.measure(first)) + " s" + window.each(),
                            s -> s.replacing(step.id(), x -> x.withDose(first).withSecondSide(second))));
        }
    }

    private void holds(Plan plan, Step step, DoseWindow window) {
        var count = step.dose().count();
        int most = window.mostHolds();
        if (step.dose().kind() != Dose.Kind.HOLDS || count == null || count <= most) return;
        plan.report(
                RULE,
                Where.step(step.id()),
                plan.number(step) + " gives " + count + " holds; " + window.source() + " at most " + most + window.why()
                        + ".",
                "Fewer holds, and look again.",
                new Mend(
                        "Set to " + most + " holds",
                        s -> s.replacing(
                                step.id(),
                                x -> x.with(e -> {
                                    e.dose = new Dose(Dose.Kind.HOLDS, x.dose().seconds(), most, null);
                                    e.secondSide = null;
                                }))));
    }

    private void breaths(Plan plan, Step step) {
        int count = (int) Math.max(1, Math.min(6, FastMath.round(step.dose().totalSeconds() / Dose.SECONDS_A_BREATH)));
        plan.report(
                RULE,
                Where.step(step.id()),
                plan.number(step) + " is measured in " + step.dose().kind()
                        + "; this school counts the client's breaths, because they slow the hand down.",
                "Give the hold in breaths.",
                new Mend(
                        "Set to " + count + (count == 1 ? " breath" : " breaths"),
                        s -> s.replacing(
                                step.id(),
                                x -> x.with(e -> {
                                    e.dose = Dose.breaths(count);
                                    e.secondSide = null;
                                    e.minimumSeconds = null;
                                    e.targetSeconds = null;
                                }))));
    }
}
