package palmtally.core.sequence.check;

import static palmtally.core.finding.Spoken.mmss;

import com.google.auto.service.AutoService;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;

/** The whole fills its time slot and does not run over. */
@AutoService(Rule.Source.class)
public final class TimeSlot implements Check {
    /** Below this share of its slot a plan leaves time unused (ours). */
    private static final double UNDER = 0.8;

    public static final Rule RULE = new Rule(
            "DOSE-SLOT", Criterion.ORDER, Severity.WARN, "The whole fills its time slot and does not run over.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        double total = plan.timeline.totalSeconds();
        double slot = plan.sequence.slotSeconds();
        if (total > slot + 1e-9)
            plan.report(
                    RULE,
                    Where.EVERYWHERE,
                    "The plan takes " + mmss(total) + " of " + mmss(slot) + ": " + mmss(total - slot)
                            + " too long, and what runs over is dropped on the second side.",
                    "Shorten or drop what matters least, or take a longer slot.",
                    null);
        else if (total < UNDER * slot) {
            var severity = plan.profile.severity(RULE);
            plan.report(
                    RULE,
                    severity.compareTo(Severity.HINT) > 0 ? Severity.HINT : severity,
                    Where.EVERYWHERE,
                    "The plan takes " + mmss(total) + " of " + mmss(slot) + ": " + mmss(slot - total) + " are left.",
                    "Give the treating steps more, or take a shorter slot.",
                    null);
        }
    }
}
