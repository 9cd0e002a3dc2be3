package palmtally.core.practical;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Spoken;
import palmtally.core.profile.Profile;

/**
 * What a practical comes to by the profile's rule. Conjunctive: every criterion at its cut, nothing critical. Compensatory: the
 * weighted mean at the cut, none below the floor, nothing critical. Checklist: each asked must-step done,
 * nothing critical. Global: the grader's own rating at the cut. A criterion that was asked and not observed makes it
 * incomplete: not a pass, not a fail.
 *
 * @param result pass, fail or incomplete
 * @param mean weighted mean of the observed criteria, 0–100, or null where none was
 * @param band what the mean is called, or null
 * @param reasons one sentence each
 */
public record Outcome(
        Result result, @Nullable Double mean, @Nullable Band band, List<String> reasons) {
    /** Pass, fail, or not yet to be said. */
    public enum Result {
        PASS,
        FAIL,
        INCOMPLETE;

        @Override
        public String toString() {
            return name().toLowerCase();
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
            return name().toLowerCase().replace('_', ' ');
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
                            && scores.run().done().stream()
                                    .noneMatch(d -> d.key().equals(stint.key()))) {
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
        for (var c : unseen) reasons.add(c.label() + " was not observed.");
        boolean incomplete = !unseen.isEmpty() && marking.outcome() != Profile.OutcomeRule.GLOBAL;
        var result = incomplete ? Result.INCOMPLETE : ok ? Result.PASS : Result.FAIL;
        return new Outcome(result, mean, mean == null ? null : Band.of(mean), List.copyOf(reasons));
    }
}
