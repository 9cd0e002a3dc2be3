package palmtally.core.practical;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import palmtally.core.Texts;
import palmtally.core.finding.Finding;
import palmtally.core.finding.Rule;
import palmtally.core.sequence.check.Announced;
import palmtally.core.sequence.check.AskAfterTool;
import palmtally.core.sequence.check.BroadFirst;
import palmtally.core.sequence.check.Cues;
import palmtally.core.sequence.check.FirstPass;
import palmtally.core.sequence.check.FlushAfterDeep;
import palmtally.core.sequence.check.LimbOrder;
import palmtally.core.sequence.check.PointedTool;
import palmtally.core.sequence.check.Silence;
import palmtally.core.sequence.check.SiteCeiling;
import palmtally.core.sequence.check.WarmUp;

/**
 * What became of one step in one practical: the grain of what a cohort misses. A step that was asked on two sides went wrong when it
 * did on either.
 *
 * @param step id of the step
 * @param wrong what went wrong, each at most once; empty where nothing did
 */
public record StepLook(String step, Set<Wrong> wrong) {
    public StepLook {
        wrong = Collections.unmodifiableSet(new TreeSet<>(wrong));
    }

    /** What can be said of a step over all practicals, in the order it is shown. */
    public enum Wrong {
        MISSED("not done"),
        OUT_OF_ORDER("out of order"),
        OVER_CEILING("over the ceiling"),
        LEFT_SILENT("nothing said");

        private final String word = Texts.word(this);

        private static final Map<Rule, Wrong> BY_RULE = new HashMap<>();

        static {
            for (var rule : List.of(
                    RunRules.ORDER_RUN,
                    WarmUp.RULE,
                    BroadFirst.RULE,
                    FlushAfterDeep.RULE,
                    LimbOrder.RULE,
                    FirstPass.RULE)) BY_RULE.put(rule, OUT_OF_ORDER);
            for (var rule : Rule.all()) if (rule.prerequisite()) BY_RULE.put(rule, OUT_OF_ORDER);
            for (var rule : List.of(SiteCeiling.RULE, PointedTool.RULE)) BY_RULE.put(rule, OVER_CEILING);
            for (var rule : List.of(Silence.RULE, AskAfterTool.RULE, Announced.RULE, Cues.RULE, RunRules.PRESS_ANSWER))
                BY_RULE.put(rule, LEFT_SILENT);
        }

        private final String label;

        Wrong(String label) {
            this.label = label;
        }

        /** As it is said to people. */
        public String label() {
            return label;
        }

        @Override
        public String toString() {
            return word;
        }
    }

    /**
     * Every step that was asked, in planned order.
     *
     * @param struck keys of findings that do not stand
     */
    public static List<StepLook> of(Scores scores, Set<String> struck) {
        var run = scores.run();
        Map<String, Set<Wrong>> wrong = new LinkedHashMap<>();
        for (var stint : run.practical().brief()) {
            var at = wrong.computeIfAbsent(stint.step().id(), s -> new TreeSet<>());
            if (!run.has(stint.key())) at.add(Wrong.MISSED);
        }
        for (Finding f : scores.findings()) {
            var what = Wrong.BY_RULE.get(f.rule());
            var step = f.where().step();
            if (what == null || step == null || struck.contains(f.key())) continue;
            var at = wrong.get(step);
            // A step that was not done is that and nothing else.
            if (at != null && !at.contains(Wrong.MISSED)) at.add(what);
        }
        var looks = new ArrayList<StepLook>();
        wrong.forEach((step, set) -> looks.add(new StepLook(step, set)));
        return List.copyOf(looks);
    }
}
