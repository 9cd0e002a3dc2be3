package palmtally.formats;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Side;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding;
import palmtally.core.finding.Severity;
import palmtally.core.practical.Outcome;
import palmtally.core.practical.Practical;
import palmtally.core.practical.Question;
import palmtally.core.practical.Scored;
import palmtally.core.practical.Scores;
import palmtally.core.practical.event.ReviewAnswer;

/**
 * Five scores as they leave the program: the command line prints and the server sends this one shape.
 *
 * @param seconds length of the practical
 * @param criteria in the order of the fingers
 */
public record ScoreView(double seconds, List<CriterionView> criteria, OutcomeView outcome) {
    /** One criterion; score is absent where it was not observed, and why says so. */
    public record CriterionView(
            Criterion criterion,
            String name,
            @Nullable Double score,
            @Nullable String band,
            @Nullable String why,
            boolean applicable,
            boolean thin,
            int observations,
            int enough,
            @Nullable Double low,
            @Nullable Double high,
            List<Scored.Part> parts,
            List<FindingView> findings,
            List<QuestionView> questions) {}

    /** What only the grader can say, with what it can be answered by. */
    public record QuestionView(
            String key,
            String sentence,
            @Nullable String step,
            @Nullable Side side,
            @Nullable Long atMs,
            List<AnswerView> answers) {
        static QuestionView of(Question q) {
            return new QuestionView(
                    q.key(),
                    q.sentence(),
                    q.step(),
                    q.side(),
                    q.atMs(),
                    q.answers().stream().map(a -> new AnswerView(a, a.label())).toList());
        }
    }

    /** One answer and what it says. */
    public record AnswerView(ReviewAnswer.Said answer, String label) {}

    /** A finding with its key and its rule's meaning. */
    public record FindingView(
            String key,
            String rule,
            Severity severity,
            Finding.Where where,
            String sentence,
            String remedy,
            String meaning,
            List<String> evidence) {
        public static FindingView of(Finding f) {
            return new FindingView(
                    f.key(),
                    f.rule().toString(),
                    f.severity(),
                    f.where(),
                    f.sentence(),
                    f.remedy(),
                    f.rule().meaning(),
                    f.evidence());
        }
    }

    /** What it comes to. */
    public record OutcomeView(
            Outcome.Result result,
            @Nullable Double mean,
            @Nullable String band,
            List<String> reasons) {
        public static OutcomeView of(Outcome o) {
            return new OutcomeView(
                    o.result(), o.mean(), o.band() == null ? null : o.band().toString(), o.reasons());
        }
    }

    public static ScoreView of(Practical practical) {
        return of(Scores.of(practical));
    }

    public static ScoreView of(Scores scores) {
        return of(scores, Outcome.of(scores, Map.of(), scores.critical().size(), null));
    }

    public static ScoreView of(Scores scores, Outcome outcome) {
        var enough = scores.run().practical().profile().marking().enough();
        var criteria = new ArrayList<CriterionView>();
        for (var c : scores.criteria()) {
            int want = enough.getOrDefault(c.criterion(), 1);
            criteria.add(new CriterionView(
                    c.criterion(),
                    c.criterion().label(),
                    c.score(),
                    c.score() == null ? null : Outcome.Band.of(c.score()).toString(),
                    c.why(),
                    c.applicable(),
                    c.observations() < want,
                    c.observations(),
                    want,
                    c.interval() == null ? null : Double.valueOf(c.interval().low()),
                    c.interval() == null ? null : Double.valueOf(c.interval().high()),
                    c.parts(),
                    c.findings().stream().map(FindingView::of).toList(),
                    c.questions().stream().map(QuestionView::of).toList()));
        }
        return new ScoreView(scores.run().end() / 1000.0, List.copyOf(criteria), OutcomeView.of(outcome));
    }

    /**
     * How much was seen so far, and nothing of what it comes to: who knows the number rates the number. Of a run that is not rated yet.
     */
    public static ScoreView seen(Scores scores) {
        var all = of(scores, Outcome.NOT_RATED);
        return new ScoreView(
                all.seconds,
                all.criteria.stream()
                        .map(c -> new CriterionView(
                                c.criterion,
                                c.name,
                                null,
                                null,
                                "after the one rating of the whole",
                                c.applicable,
                                c.thin,
                                c.observations,
                                c.enough,
                                null,
                                null,
                                List.of(),
                                List.of(),
                                List.of()))
                        .toList(),
                all.outcome);
    }

    /** What the checks of a plan print. */
    public static Map<String, Object> of(palmtally.core.sequence.check.Checks checks) {
        var out = new LinkedHashMap<String, Object>();
        out.put("sequence", checks.sequence().id());
        out.put("profile", checks.profile().id());
        out.put("totalSeconds", checks.timeline().totalSeconds());
        out.put("slotSeconds", checks.sequence().slotSeconds());
        out.put(
                "findings",
                checks.found().stream()
                        .map(f -> {
                            var one = new LinkedHashMap<String, Object>();
                            one.put("finding", FindingView.of(f.finding()));
                            f.mend().ifPresent(m -> one.put("mend", m.label()));
                            return one;
                        })
                        .toList());
        return out;
    }
}
