package palmtally.server.demonstration;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Region;
import palmtally.core.calendar.Aim;
import palmtally.core.demonstration.Refit;
import palmtally.core.picture.Picture;
import palmtally.server.answer.Made;
import palmtally.server.answer.Page;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;
import palmtally.server.people.School;
import palmtally.server.sequence.Sequences;

/** Show: start, mark, stand, and the offer to end on time. */
@RestController
class DemonstrationController {
    /**
     * @param slotSeconds what it has, or null for the slot of the lesson or the sequence
     * @param lesson which one of the term it is for, or null for the one of this week that teaches the sequence, if there is one
     */
    record NewDemonstration(
            @Nullable Double slotSeconds, @Nullable String lesson) {}

    /**
     * A lesson of this week that shows or practises a sequence.
     *
     * @param steps how many of the sequence are meant
     * @param begins by the clock, or null where the labs have no times
     * @param shown the demonstration that was made for it last, or null
     */
    record LessonLine(
            String lesson,
            int lab,
            Aim aim,
            Region region,
            double minutes,
            String sequence,
            String name,
            int steps,
            int ofSteps,
            String note,
            @Nullable Instant begins,
            String room,
            Demonstrations.@Nullable ShownLine shown) {}

    private final Demonstrations demonstrations;
    private final Agenda agenda;
    private final TermLog log;
    private final Sequences sequences;
    private final School school;

    DemonstrationController(
            Demonstrations demonstrations, Agenda agenda, TermLog log, Sequences sequences, School school) {
        this.school = school;
        this.demonstrations = demonstrations;
        this.agenda = agenda;
        this.log = log;
        this.sequences = sequences;
    }

    record NewAddress(String code) {}

    /** Another address for one's own class screen; the one before shows nothing any more. */
    @Allow(Permission.STAFF)
    @PostMapping("/api/screens")
    NewAddress newAddress(@Me Caller caller) {
        return new NewAddress(demonstrations.newAddress(caller));
    }

    record ScreenLook(@Nullable Look look) {}

    /** What the class looks at, now and when the next one is shown: the picture, the words, or both. */
    @Allow(Permission.STAFF)
    @PutMapping("/api/demonstrations/{id}/look")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void look(@Me Caller caller, @PathVariable UUID id, @RequestBody ScreenLook wanted) {
        if (wanted.look == null) throw new InvalidValue("screen", new Fault("look", "null", "is missing"));
        demonstrations.look(caller, id, wanted.look);
    }

    /** Lessons of this week, for the one who asks. */
    @Allow(Permission.STAFF)
    @GetMapping("/api/demonstrations/lessons")
    List<LessonLine> lessons(@Me Caller caller) {
        var places = agenda.now(caller);
        if (places.isEmpty()) return List.of();
        var shown = demonstrations.inTerm(places.get(0).term());
        var lines = new ArrayList<LessonLine>();
        for (var p : places) {
            var l = p.lesson();
            var sequence = l.sequence() == null
                    ? null
                    : sequences.find(l.sequence()).map(v -> v.document()).orElse(null);
            if (sequence == null || l.aim() == Aim.ASSESS) continue;
            lines.add(new LessonLine(
                    l.id(),
                    l.lab(),
                    l.aim(),
                    l.region(),
                    l.minutes(),
                    sequence.id(),
                    sequence.name(),
                    l.part(sequence).steps().size(),
                    sequence.steps().size(),
                    l.note(),
                    p.begins(),
                    p.room(),
                    shown.stream()
                            .filter(s -> s.lab() != null && s.lab().lesson().equals(l.id()))
                            .reduce((a, b) -> b)
                            .map(Demonstrations.ShownLine::of)
                            .orElse(null)));
        }
        return lines;
    }

    /** What a term has been shown, beside its plan. */
    @Allow(Permission.TERM_STAFF)
    @GetMapping("/api/terms/{term}/shown")
    TermLog.TermLogView shown(@PathVariable UUID term) {
        return log.of(term);
    }

    @Allow(Permission.STAFF)
    @PostMapping("/api/sequences/{id}/demonstrations")
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<DemonstrationView> start(
            @Me Caller caller, @PathVariable String id, @RequestBody NewDemonstration wanted) {
        var view = DemonstrationView.of(demonstrations.start(caller, id, wanted.slotSeconds, wanted.lesson), null);
        return Made.at("/api/demonstrations/" + view.id(), view);
    }

    @Allow(Permission.STAFF)
    @GetMapping("/api/demonstrations")
    Page<Demonstrations.ShownLine> lately(
            @Me Caller caller,
            @RequestParam(required = false) @Nullable String sequence,
            @RequestParam(required = false) @Nullable UUID before) {
        return demonstrations.lately(caller, sequence, before);
    }

    @Allow(Permission.STAFF)
    @GetMapping("/api/demonstrations/{id}")
    DemonstrationView one(@Me Caller caller, @PathVariable UUID id, @RequestParam @Nullable Double at) {
        var standing = demonstrations.own(caller, id, at);
        return DemonstrationView.of(standing, demonstrations.anotherDay(standing));
    }

    /** What a step of it looks like, by its place in the planned order. */
    @Allow(Permission.STAFF)
    @GetMapping("/api/demonstrations/{id}/steps/{index}/picture")
    Picture picture(@Me Caller caller, @PathVariable UUID id, @PathVariable String index) {
        return Demonstrations.picture(
                demonstrations.own(caller, id, null), index, school.bodyLook().build());
    }

    @Allow(Permission.STAFF)
    @PostMapping("/api/demonstrations/{id}/marks")
    DemonstrationView.LiveView mark(
            @Me Caller caller, @PathVariable UUID id, @RequestBody Demonstrations.SentMark mark) {
        return DemonstrationView.LiveView.of(demonstrations.mark(caller, id, mark));
    }

    /** What would be shortened and dropped to end on time if it were taken now. */
    @Allow(Permission.STAFF)
    @GetMapping("/api/demonstrations/{id}/refit")
    Refit refit(@Me Caller caller, @PathVariable UUID id, @RequestParam @Nullable Double at) {
        return demonstrations.refit(caller, id, at);
    }
}
