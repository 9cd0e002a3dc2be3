package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Locale;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.detail.Comparison;

/** Compare before and after. */
@AutoService(Rule.Source.class)
public final class CompareAfter implements Check {
    public static final Rule RULE =
            new Rule("ORDER-PREREQ/compare-after", Criterion.ORDER, Severity.HINT, "Compare before and after.");

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        var steps = plan.inTime();
        if (steps.stream().noneMatch(s -> s.phase() == Phase.TREAT && s.depth() >= plan.firm())) return;
        if (steps.stream().anyMatch(s -> s.phase() == Phase.RE_CHECK || s.compares(Comparison.When.AFTER))) return;
        var last = steps.get(steps.size() - 1);
        plan.report(
                RULE,
                Where.EVERYWHERE,
                "Nothing is checked again after the treatment: without a comparison nobody knows whether it helped.",
                "Check again what was checked before: range, number, feel.",
                new Mend("Add a 20 s re-check after " + plan.number(last).toLowerCase(Locale.ROOT), s -> {
                    boolean cover = last.phase() == Phase.COVER;
                    return s.inserting(
                            last.id(),
                            new Added("", "still-hold", List.of(), 1, 20, Phase.RE_CHECK).beside(plan, s, last),
                            cover ? 0 : 1);
                }));
    }
}
