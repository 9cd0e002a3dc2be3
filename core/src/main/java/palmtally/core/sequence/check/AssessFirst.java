package palmtally.core.sequence.check;

import com.google.auto.service.AutoService;
import java.util.List;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.detail.Comparison;

/** Deep work after a look at the landmarks. */
@AutoService(Rule.Source.class)
public final class AssessFirst extends Before {
    public static final Rule RULE = new Rule(
            "ORDER-PREREQ/assess-first",
            Criterion.ORDER,
            Severity.HINT,
            "Look, ask and find the landmarks before deep pressure, because bodies vary.");

    public AssessFirst() {
        super(
                RULE,
                Shared.NOTHING,
                " goes deep and nobody has looked, asked or felt for the landmarks: bodies vary.",
                new Added("a look at the landmarks", "still-hold", List.of(), 1, 20, Phase.ASSESS));
    }

    @Override
    protected boolean first(Step step) {
        return step.phase() == Phase.ASSESS || step.compares(Comparison.When.BEFORE);
    }

    @Override
    protected boolean then(Step step) {
        return step.depth() >= 4;
    }
}
