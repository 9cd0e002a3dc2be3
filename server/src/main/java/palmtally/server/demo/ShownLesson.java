package palmtally.server.demo;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import palmtally.core.demonstration.Mark;
import palmtally.core.demonstration.Mark.What;
import palmtally.core.demonstration.Showing;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;

/** A demonstration as one goes in class: a little slow, and something dropped where the clock runs out. */
final class ShownLesson {
    private ShownLesson() {}

    /**
     * @param slow real time ÷ planned time, about 1
     * @param leaves how many of the last steps but one are skipped for want of time
     */
    static List<Mark> of(Sequence sequence, Profile profile, double slow, int leaves, long seed) {
        var random = new Random(seed);
        var spans = Showing.of(sequence, profile).timeline().spans();
        int n = spans.size();
        var marks = new ArrayList<Mark>();
        double at = 20;
        for (int i = 0; i < n; i++) {
            if (i >= n - 1 - leaves && i < n - 1) {
                marks.add(new Mark(What.SKIPPED, i, at, "No time", null));
                continue;
            }
            marks.add(new Mark(What.STARTED, i, at));
            var span = spans.get(i);
            double pace = slow * (0.92 + 0.16 * random.nextDouble());
            at = Math.round(10 * (at + pace * (span.end() - span.begin()))) / 10.0;
        }
        marks.add(new Mark(What.FINISHED, n - 1, at));
        return marks;
    }
}
