package palmtally.server.demonstration;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palmtally.core.demonstration.Refit;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;

/** Show: start, mark, stand, and the offer to end on time. */
@RestController
class DemonstrationController {
    /** @param slotSeconds what it has, or null for the slot of the sequence */
    record NewDemonstration(@Nullable Double slotSeconds) {}

    private final Demonstrations demonstrations;

    DemonstrationController(Demonstrations demonstrations) {
        this.demonstrations = demonstrations;
    }

    @PostMapping("/api/sequences/{id}/demonstrations")
    DemonstrationView start(@Me Caller caller, @PathVariable String id, @RequestBody NewDemonstration wanted) {
        return DemonstrationView.of(demonstrations.start(caller, id, wanted.slotSeconds));
    }

    @GetMapping("/api/demonstrations")
    List<Demonstrations.ShownLine> lately(@Me Caller caller) {
        return demonstrations.lately(caller);
    }

    @GetMapping("/api/demonstrations/{id}")
    DemonstrationView one(@Me Caller caller, @PathVariable UUID id, @RequestParam @Nullable Double at) {
        return DemonstrationView.of(demonstrations.own(caller, id, at));
    }

    @PostMapping("/api/demonstrations/{id}/marks")
    DemonstrationView.LiveView mark(
            @Me Caller caller, @PathVariable UUID id, @RequestBody Demonstrations.SentMark mark) {
        return DemonstrationView.LiveView.of(demonstrations.mark(caller, id, mark));
    }

    /** What would be shortened and dropped to end on time if it were taken now. */
    @GetMapping("/api/demonstrations/{id}/refit")
    Refit refit(@Me Caller caller, @PathVariable UUID id, @RequestParam @Nullable Double at) {
        return demonstrations.refit(caller, id, at);
    }
}
