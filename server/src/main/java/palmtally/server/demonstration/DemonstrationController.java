package palmtally.server.demonstration;

import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import palmtally.core.demonstration.Showing;
import palmtally.core.sequence.Sequence;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.sequence.PlanView.SpanView;

/** Show: start, mark, stand. */
@RestController
class DemonstrationController {
    /**
     * @param spans the plan clock: class doses with transitions
     * @param token whether the class sees less than half of what a client needs, by span
     * @param clientSeconds what a client needs, by span
     */
    record DemonstrationView(
            UUID id,
            double elapsedSeconds,
            double planSeconds,
            Sequence sequence,
            List<SpanView> spans,
            List<Boolean> token,
            List<Double> clientSeconds,
            ProgressView progress) {
        static DemonstrationView of(Demonstrations.Standing s) {
            var spans = s.showing().timeline().spans();
            return new DemonstrationView(
                    s.id(),
                    s.elapsedSeconds(),
                    s.showing().timeline().totalSeconds(),
                    s.sequence(),
                    spans.stream().map(x -> SpanView.of(x, s.profile())).toList(),
                    spans.stream().map(x -> Showing.token(x.stint())).toList(),
                    spans.stream()
                            .map(x -> x.stint().step().dose().totalSeconds())
                            .toList(),
                    ProgressView.of(s.progress()));
        }
    }

    /** Progress without infinities: driftFrom is absent once drift stands still. */
    record ProgressView(
            int current,
            double startedAt,
            double allowedSeconds,
            double driftSeconds,
            @org.jspecify.annotations.Nullable Double driftFrom,
            String words,
            List<Double> shownSeconds,
            List<Integer> leftOut,
            boolean finished) {
        static ProgressView of(Showing.Progress p) {
            return new ProgressView(
                    p.current(),
                    p.startedAt(),
                    p.allowedSeconds(),
                    p.driftSeconds(),
                    Double.isInfinite(p.driftFrom()) ? null : Double.valueOf(p.driftFrom()),
                    p.words(),
                    p.shownSeconds(),
                    p.leftOut(),
                    p.finished());
        }
    }

    private final Demonstrations demonstrations;

    DemonstrationController(Demonstrations demonstrations) {
        this.demonstrations = demonstrations;
    }

    @PostMapping("/api/sequences/{id}/demonstrations")
    DemonstrationView start(@Me Caller caller, @PathVariable String id) {
        return DemonstrationView.of(demonstrations.start(caller, id));
    }

    @GetMapping("/api/demonstrations/{id}")
    DemonstrationView one(@Me Caller caller, @PathVariable UUID id) {
        return DemonstrationView.of(demonstrations.standing(caller, id));
    }

    @PostMapping("/api/demonstrations/{id}/marks")
    DemonstrationView mark(@Me Caller caller, @PathVariable UUID id, @RequestBody Demonstrations.SentMark mark) {
        return DemonstrationView.of(demonstrations.mark(caller, id, mark));
    }
}
