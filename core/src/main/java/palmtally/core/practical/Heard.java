package palmtally.core.practical;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import palmtally.core.practical.event.ReviewAnswer.Said;

/** Whether what was not heard was missing, and what only the grader can say of it. */
final class Heard {
    /** A glance away, ms: who looks away for less still watches. */
    static final long GLANCE_MS = 5_000;

    private final Run run;
    private final Map<Listening, Long> open = new EnumMap<>(Listening.class);

    Heard(Run run) {
        this.run = run;
    }

    /** Whether nothing of a kind between two moments means that it was missing: all of the time was listened to. */
    boolean missing(Listening kind, long from, long to) {
        if (run.listened(kind).covers(from, to)) return true;
        if (run.attended().covers(from, to)) ask(kind, from);
        return false;
    }

    /** The same, but for a glance away. */
    boolean missingButForAGlance(Listening kind, long from, long to) {
        if (watched(run.listened(kind), from, to)) return true;
        if (watched(run.attended(), from, to)) ask(kind, from);
        return false;
    }

    /** Whether the time between two moments was watched, but for a glance away. */
    static boolean watched(Intervals eyes, long from, long to) {
        long seen = eyes.length(from, to);
        return seen > 0 && to - from - seen <= GLANCE_MS;
    }

    /** Asks whether the grader listened for a kind that nobody tapped. */
    void ask(Listening kind, long at) {
        if (run.unsaid(kind)) open.merge(kind, at, Math::min);
    }

    List<Question> questions() {
        return open.entrySet().stream()
                .map(e -> new Question(
                        e.getKey().key(),
                        e.getKey().criterion(),
                        e.getKey().untapped(),
                        null,
                        null,
                        e.getValue(),
                        List.of(Said.HEARD_NOTHING, Said.NOT_LISTENING)))
                .toList();
    }
}
