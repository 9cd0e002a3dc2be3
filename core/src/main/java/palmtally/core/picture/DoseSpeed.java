package palmtally.core.picture;

import com.google.auto.service.AutoService;
import java.util.HashSet;
import org.hipparchus.util.FastMath;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.check.Check;
import palmtally.core.sequence.check.Mend;
import palmtally.core.sequence.check.Plan;
import palmtally.core.sequence.detail.Pace;
import palmtally.core.technique.Dose;

/** Slow work is slow: what is stripped or drawn along a fascia, and what the plan calls slow, goes at most so far in a second. */
@AutoService(Rule.Source.class)
public final class DoseSpeed implements Check {
    public static final Rule RULE = new Rule(
            "DOSE-SPEED",
            Criterion.PRESSURE,
            Severity.WARN,
            "Slow work is slow: stripping, fascial glides and what is called slow go no more than 60 mm a second.");

    /** Millimetres a second (common practice, no source). */
    private static final double MOST = 60;

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        var seen = new HashSet<String>();
        for (var span : plan.spans()) {
            var step = span.stint().step();
            if (!slow(step) || seen.contains(step.id())) continue;
            var measured = Measured.of(span.stint());
            var speed = measured.speed();
            // What is given by the clock and not in passes has no speed of its own.
            if (speed == null || speed <= MOST || measured.dose() != Dose.Kind.PASSES) continue;
            seen.add(step.id());
            double seconds = Math.ceil(measured.length() / MOST);
            plan.report(
                    RULE,
                    Where.step(step.id()),
                    plan.number(step) + " goes " + FastMath.round(measured.length() / 10) + " cm in "
                            + FastMath.round(measured.length() / speed) + " s, " + FastMath.round(speed)
                            + " mm a second: too fast to feel what lies under the hand.",
                    "Give each pass more time.",
                    new Mend(
                            "Give each pass " + FastMath.round(seconds) + " s",
                            s -> s.replacing(
                                    step.id(),
                                    x -> x.withDose(slower(x.dose(), seconds))
                                            .withSecondSide(
                                                    x.secondSide() == null ? null : slower(x.secondSide(), seconds)))));
        }
    }

    private static Dose slower(Dose dose, double seconds) {
        if (dose.kind() != Dose.Kind.PASSES || dose.seconds() == null || dose.seconds() >= seconds) return dose;
        return Dose.passes(dose.count() == null ? 1 : dose.count(), seconds);
    }

    private static boolean slow(Step step) {
        if (step.details().pace() == Pace.SLOW) return true;
        return switch (step.technique().stroke()) {
            case STRIPPING, FASCIA_DIRECT, FASCIA_INDIRECT -> true;
            default -> false;
        };
    }
}
