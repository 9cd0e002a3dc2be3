package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.Locale;
import java.util.Set;
import java.util.function.Predicate;
import palmtally.core.body.Region;
import palmtally.core.body.Zone;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Ways;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Step;

/** The scalp first or last, as the school teaches. */
@AutoService(Rule.Source.class)
public final class ScalpPlace implements Check {
    public static final Rule RULE = new Rule(
            "ORDER-PREREQ/scalp", Criterion.ORDER, Severity.HINT, "The scalp first or last, as the school teaches.");

    private static final Predicate<Step> SCALP = s -> s.works(Set.of(Zone.SCALP));

    @Override
    public Rule rule() {
        return RULE;
    }

    @Override
    public void look(Plan plan) {
        var way = plan.profile.ways().scalp();
        if (way == Ways.Scalp.EITHER) return;
        var head = plan.inTime().stream()
                .filter(((Predicate<Step>) s -> s.works(Region.HEAD_FACE, Region.JAW, Region.NECK))
                        .and(s -> s.phase() != Phase.SETTLE && s.phase() != Phase.ASSESS && s.phase() != Phase.COVER))
                .toList();
        var scalp = head.stream().filter(SCALP).findFirst();
        if (scalp.isEmpty() || head.stream().allMatch(SCALP)) return;
        boolean first = way == Ways.Scalp.FIRST;
        var beside = first ? head.get(0) : head.get(head.size() - 1);
        if (SCALP.test(beside)) return;
        var step = scalp.get();
        plan.report(
                RULE,
                new Where(step.id(), Zone.SCALP, null, null),
                plan.number(step) + " does the scalp in between; this school does it " + (first ? "first" : "last")
                        + ", "
                        + (first ? "to settle the whole head." : "so that hair and oil do not meet the rest."),
                RULE.meaning(),
                plan.canMove(step, beside)
                        ? new Mend(
                                "Move it " + (first ? "before " : "after ")
                                        + plan.number(beside).toLowerCase(Locale.ROOT),
                                s -> s.moving(step.id(), beside.id(), first ? 0 : 1))
                        : null);
    }
}
