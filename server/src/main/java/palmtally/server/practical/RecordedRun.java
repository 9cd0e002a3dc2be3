package palmtally.server.practical;

import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import palmtally.core.practical.Practical;
import palmtally.core.practical.Run;
import palmtally.core.practical.RunProgress;
import palmtally.core.practical.event.Event;
import palmtally.core.practical.event.Note;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Timeline;
import palmtally.formats.draft.PlanView.SpanView;
import palmtally.formats.live.RunView;

/**
 * What was seen of a run, for eyes that know neither who it was nor what it was given: without names, without what the grader wrote in
 * words, without marks.
 */
public record RecordedRun(
        Sequence sequence,
        Profile profile,
        List<SpanView> spans,
        List<Event> events,
        RunView run,
        RunProgress progress) {
    private static RecordedRun of(Practical practical) {
        var run = Run.of(practical);
        return new RecordedRun(
                practical.sequence(),
                practical.profile(),
                Timeline.of(practical.brief(), practical.profile()).spans().stream()
                        .map(s -> SpanView.of(s, practical.sequence(), practical.profile()))
                        .toList(),
                practical.events().stream()
                        .filter(e -> !(e.data() instanceof Note))
                        .map(e -> new Event(e.id(), "recorded", e.seq(), e.atMs(), null, e.data()))
                        .toList(),
                RunView.of(run),
                RunProgress.of(run, null));
    }

    /** Recorded runs of the school, whoever's they were. */
    @Service
    public static class Runs {
        private final Records records;

        Runs(Records records) {
            this.records = records;
        }

        /** Whoever asks must have been shown it: nothing is decided here. */
        public RecordedRun of(UUID practical) {
            return RecordedRun.of(records.practical(records.row(practical)));
        }
    }
}
