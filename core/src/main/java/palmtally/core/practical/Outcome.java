package palmtally.core.practical;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import palmtally.core.Texts;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Spoken;
import palmtally.core.profile.Profile;

/**
 * What a practical comes to by the profile's rule. Conjunctive: every criterion at its cut, nothing critical. Compensatory: the
 * weighted mean at the cut, none below the floor, nothing critical. Checklist: each asked must-step done,
 * nothing critical. Global: the grader's own rating at the cut. What was not asked is outside. Where it rests on the criteria, one that
 * was asked and not observed makes it incomplete, neither a pass nor a fail; so does a question that nobody answered yet. What is
 * critical and stands fails all the same.
 *
 * @param result pass, fail or incomplete
 * @param mean weighted mean of the observed criteria, 0–100, or null where none was
 * @param band what the mean is called, or null
 * @param reasons one sentence each
 */
public record Outcome(
        Result result, @Nullable Double mean, @Nullable Band band, List<String> reasons) {
    /** Before the grader gave the one rating of the whole nothing is said of it. */
    public static final Outcome NOT_RATED =
            new Outcome(Result.INCOMPLETE, null, null, List.of("Scores come after the one rating of the whole."));

    /** Pass, fail, or not yet to be said. */
    public enum Result {
        PASS,
        FAIL,
        INCOMPLETE;

        private final String word = Texts.word(this);

        @Override
        public String toString() {
            return word;
        }
    }

    /** 0–39 not yet, 40–59 emerging, 60–79 competent, 80–100 fluent. */
    public enum Band {
        NOT_YET,
        EMERGING,
        COMPETENT,
        FLUENT;

        public static Band of(double score) {
            return score < 40 ? NOT_YET : score < 60 ? EMERGING : score < 80 ? COMPETENT : FLUENT;
        }

        @Override
        public String toString() {
            return name().toLowerCase(Locale.ROOT).replace('_', ' ');
        }
    }

    /**
     * @param scores as computed
     * @param awarded awarded values by criterion where the grader changed one; may be empty
     * @param critical number of critical findings not struck by the grader
     * @param rating the grader's global rating 0–100, or null where none was given
     */
    public static Outcome of(Scores scores, Map<Criterion, Double> awarded, int critical, @Nullable Double rating) {
        var practical = scores.run().practical();
        var marking = practical.profile().marking();
        var values = new EnumMap<Criterion, Double>(Criterion.class);
        var unseen = new ArrayList<Criterion>();
        for (var c : scores.criteria()) {
            var value = awarded.containsKey(c.criterion()) ? awarded.get(c.criterion()) : c.score();
            if (value != null) values.put(c.criterion(), value);
            else if (c.applicable()) unseen.add(c.criterion());
        }
        double weights = 0;
        double sum = 0;
        for (var v : values.entrySet()) {
            double w = marking.criteria().getOrDefault(v.getKey(), 0.0);
            weights += w;
            sum += w * v.getValue();
        }
        Double mean = weights == 0 ? null : Double.valueOf(sum / weights);
        var reasons = new ArrayList<String>();
        if (critical > 0)
            reasons.add(critical == 1 ? "One critical finding stands." : critical + " critical findings stand.");
        boolean ok = marking.outcome() == Profile.OutcomeRule.GLOBAL || critical == 0;
        switch (marking.outcome()) {
            case CONJUNCTIVE -> {
                for (var v : values.entrySet())
                    if (v.getValue() < marking.cut()) {
                        ok = false;
                        reasons.add(v.getKey().label() + " is " + Spoken.below(v.getValue(), marking.cut())
                                + ", below the cut of "
                                + Spoken.number(marking.cut()) + ".");
                    }
            }
            case COMPENSATORY -> {
                if (mean != null && mean < marking.cut()) {
                    ok = false;
                    reasons.add("The mean is " + Spoken.below(mean, marking.cut()) + ", below the cut of "
                            + Spoken.number(marking.cut()) + ".");
                }
                for (var v : values.entrySet())
                    if (v.getValue() < marking.floor()) {
                        ok = false;
                        reasons.add(v.getKey().label() + " is " + Spoken.below(v.getValue(), marking.floor())
                                + ", below the floor of "
                                + Spoken.number(marking.floor()) + ".");
                    }
            }
            case CHECKLIST -> {
                for (var stint : practical.brief())
                    if (stint.step().importance() == palmtally.core.sequence.Importance.MUST
                            && !scores.run().has(stint.key())) {
                        ok = false;
                        reasons.add("“" + stint.step().name() + "” was not done.");
                    }
            }
            case GLOBAL -> {
                if (rating == null)
                    return new Outcome(
                            Result.INCOMPLETE,
                            mean,
                            mean == null ? null : Band.of(mean),
                            List.of("No global rating was given."));
                if (rating < marking.cut()) {
                    ok = false;
                    reasons.add("The global rating is below the cut.");
                }
            }
        }
        boolean byCriteria = marking.outcome() == Profile.OutcomeRule.CONJUNCTIVE
                || marking.outcome() == Profile.OutcomeRule.COMPENSATORY;
        var open = scores.questions().stream()
                .filter(q -> q.permission() || waits(q, marking.outcome(), awarded, practical))
                .toList();
        if (!open.isEmpty() && marking.outcome() != Profile.OutcomeRule.GLOBAL)
            reasons.add(
                    open.size() == 1
                            ? "One question is not answered yet."
                            : open.size() + " questions are not answered yet.");
        for (var c : unseen)
            if (open.stream().noneMatch(q -> q.criterion() == c)) reasons.add(c.label() + " was not observed.");
        boolean incomplete = byCriteria && (!unseen.isEmpty() || values.isEmpty())
                || marking.outcome() != Profile.OutcomeRule.GLOBAL && !open.isEmpty();
        if (incomplete && values.isEmpty() && unseen.isEmpty()) reasons.add("Nothing was asked that could be judged.");
        boolean harmed = critical > 0 && marking.outcome() != Profile.OutcomeRule.GLOBAL;
        var result = harmed ? Result.FAIL : incomplete ? Result.INCOMPLETE : ok ? Result.PASS : Result.FAIL;
        return new Outcome(result, mean, mean == null ? null : Band.of(mean), List.copyOf(reasons));
    }

    /** Whether an outcome waits for a question: one about a criterion that the grader did not mark otherwise, or a step that must be done. */
    private static boolean waits(
            Question question, Profile.OutcomeRule rule, Map<Criterion, Double> awarded, Practical practical) {
        return switch (rule) {
            case CONJUNCTIVE, COMPENSATORY -> !awarded.containsKey(question.criterion());
            case CHECKLIST ->
                question.step() != null
                        && practical.brief().stream()
                                .anyMatch(s -> s.step().id().equals(question.step())
                                        && s.step().importance() == palmtally.core.sequence.Importance.MUST);
            case GLOBAL -> false;
        };
    }
}
