package palmtally.core.practical;

import java.util.List;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Side;
import palmtally.core.finding.Criterion;
import palmtally.core.practical.event.ReviewAnswer.Said;

/**
 * What only the grader can say, asked at the review before the award. While it stands its criterion has no score.
 *
 * @param key the same for the same question however often the run is scored
 * @param step id of the step it is about, or null
 * @param atMs the moment it is about, or null
 * @param answers what it can be answered by
 */
public record Question(
        String key,
        Criterion criterion,
        String sentence,
        @Nullable String step,
        @Nullable Side side,
        @Nullable Long atMs,
        List<Said> answers) {
    public Question {
        answers = List.copyOf(answers);
    }

    /** Whether it is about permission: such a question stands whatever criterion is looked at. */
    public boolean permission() {
        return answers.contains(Said.NOT_ASKED);
    }
}
