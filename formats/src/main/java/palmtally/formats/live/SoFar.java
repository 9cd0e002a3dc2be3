package palmtally.formats.live;

import java.util.List;
import org.jspecify.annotations.Nullable;
import palmtally.core.practical.Practical;
import palmtally.core.practical.RunProgress;
import palmtally.core.practical.Scores;
import palmtally.core.practical.event.Event;
import palmtally.formats.ScoreView;

/**
 * What a practical comes to so far.
 *
 * @param counted how many events it rests on
 * @param scores before the rating of the whole only how much was seen; null for who is told none
 * @param run null for who watches without the plan in hand
 */
public record SoFar(
        int counted, @Nullable ScoreView scores, @Nullable RunView run, RunProgress progress) {
    /**
     * @param limitSeconds how long it may take, or null
     * @param rated whether the one rating of the whole was given: who knows the number rates the number
     */
    public static SoFar of(Practical practical, @Nullable Double limitSeconds, boolean rated) {
        var scores = Scores.of(practical);
        return new SoFar(
                practical.events().size(),
                rated ? ScoreView.of(scores) : ScoreView.seen(scores),
                RunView.of(scores.run()),
                RunProgress.of(scores.run(), limitSeconds));
    }

    /** For an observer, who says what they see and grades nothing. */
    public static SoFar watched(List<Event> events, double lookEverySeconds) {
        return new SoFar(events.size(), null, null, RunProgress.watched(events, lookEverySeconds));
    }
}
