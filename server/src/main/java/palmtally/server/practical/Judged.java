package palmtally.server.practical;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import palmtally.core.finding.Criterion;
import palmtally.core.practical.Again;
import palmtally.core.practical.Goal;
import palmtally.core.practical.MarkRules;
import palmtally.core.practical.Outcome;
import palmtally.core.practical.Scores;
import palmtally.formats.ScoreView;
import palmtally.server.practical.EvidenceBook.Counted;

/**
 * What an award was given on, as it was computed then; kept with the award and never computed anew.
 *
 * @param rules number of the rules by which the marks came about
 * @param outcome what it came to, as awarded
 * @param goals what the findings propose for the next time
 * @param again what a re-take asks for
 * @param counted what it says for Track
 */
record Judged(
        int rules,
        ScoreView scores,
        ScoreView.OutcomeView outcome,
        List<Goal> goals,
        List<Again> again,
        Counted counted) {
    static Judged of(Scores scores, Outcome computed, Award award, Outcome outcome, Counted counted) {
        var struck = award.struckKeys();
        return new Judged(
                MarkRules.NUMBER,
                ScoreView.of(scores, computed),
                ScoreView.OutcomeView.of(outcome),
                Goal.of(scores, struck),
                Again.of(scores, outcome, award.values(), struck),
                counted);
    }

    /** The computed marks, of what was observed. */
    Map<Criterion, Double> marks() {
        var marks = new EnumMap<Criterion, Double>(Criterion.class);
        for (var c : scores.criteria()) if (c.score() != null) marks.put(c.criterion(), c.score());
        return marks;
    }
}
