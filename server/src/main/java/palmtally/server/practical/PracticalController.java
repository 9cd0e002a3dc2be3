package palmtally.server.practical;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
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
import palmtally.core.competency.Gate;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding;
import palmtally.core.picture.Picture;
import palmtally.core.practical.event.Event;
import palmtally.core.sequence.Sides;
import palmtally.formats.Documents;
import palmtally.formats.FormatException;
import palmtally.formats.UnreadableDocument;
import palmtally.formats.live.SoFar;
import palmtally.server.answer.Made;
import palmtally.server.answer.Page;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;
import palmtally.server.people.Terms;
import palmtally.server.problem.Refusal;

/** Grade and review. */
@RestController
class PracticalController {
    /** @param stored how many events the practical has now */
    record Stored(int stored, boolean finished) {}

    record Sent(@Nullable List<Event> events) {}

    record Rating(@Nullable Double value) {}

    /** @param look id of the look once it is there */
    record Watched(@Nullable UUID look, @Nullable UUID observer) {}

    record SelfMarks(@Nullable Map<Criterion, Double> marks) {}

    record Voided(@Nullable String reason) {}

    /**
     * @param clashes what clashes with the body on the table, a sentence each
     * @param blocked ids of the steps that clash
     * @param rest how many of the steps asked do not
     * @param side a side on which nothing clashes, or null
     */
    record ReadyView(
            List<String> clashes,
            List<String> blocked,
            int rest,
            @Nullable Sides side,
            List<Gate.Passage> gates) {}

    record SentAward(@Nullable Integer from, @Nullable Award award) {}

    private static final Logger log = LoggerFactory.getLogger(PracticalController.class);

    private static final String AT = "/api/practicals/";

    private final Practicals practicals;
    private final PracticalViews views;
    private final Capture capture;
    private final Awards awards;
    private final Admission admission;
    private final Terms terms;
    private final Clock clock;

    PracticalController(
            Practicals practicals,
            PracticalViews views,
            Capture capture,
            Awards awards,
            Admission admission,
            Terms terms,
            Clock clock) {
        this.practicals = practicals;
        this.views = views;
        this.capture = capture;
        this.awards = awards;
        this.admission = admission;
        this.terms = terms;
        this.clock = clock;
    }

    /** Practicals of a term: with the first page all that still wait for something, then the others, the newest first. */
    @Allow(Permission.TERM_STAFF)
    @GetMapping("/api/terms/{term}/practicals")
    Page<PracticalLine> lines(
            @Me Caller caller, @PathVariable UUID term, @RequestParam(required = false) @Nullable UUID before) {
        return practicals.lines(caller, term, before);
    }

    /** Who was asked to show a sequence in this term. */
    @Allow(Permission.TERM_STAFF)
    @GetMapping("/api/terms/{term}/sequences/{sequence}/students")
    List<UUID> shown(@PathVariable UUID term, @PathVariable String sequence) {
        return practicals.studentsOf(term, sequence);
    }

    /** What is in the way of a brief before it is started. */
    @Allow(Permission.STAFF)
    @PostMapping("/api/practicals/ready")
    ReadyView ready(@Me Caller caller, @RequestBody Practicals.Brief brief) {
        var ready = admission.look(caller, brief, practicals.asked(caller, brief), brief.notes());
        return new ReadyView(
                ready.clash().findings().stream()
                        .map(Finding::sentence)
                        .distinct()
                        .toList(),
                List.copyOf(ready.clash().blocked()),
                ready.clash().rest(),
                ready.clash().side(),
                ready.gates());
    }

    @Allow(Permission.STAFF)
    @PostMapping("/api/practicals")
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<PracticalView> start(@Me Caller caller, @RequestBody Practicals.Brief brief) {
        admission.pass(caller, brief, practicals.asked(caller, brief));
        return made(caller, practicals.start(caller, brief));
    }

    @Allow(Permission.SIGNED_IN)
    @GetMapping("/api/practicals/{id}")
    PracticalView one(@Me Caller caller, @PathVariable UUID id) {
        return views.one(caller, id);
    }

    /**
     * A step of its plan as a picture.
     *
     * @param side of the client, or none for the first one
     */
    @Allow(Permission.SIGNED_IN)
    @GetMapping("/api/practicals/{id}/steps/{step}/picture")
    Picture picture(
            @Me Caller caller,
            @PathVariable UUID id,
            @PathVariable String step,
            @RequestParam(required = false) @Nullable String side) {
        return views.picture(caller, id, step, side);
    }

    private ResponseEntity<PracticalView> made(Caller caller, UUID id) {
        return Made.at(AT + id, one(caller, id));
    }

    /** What the caller has at the tables now. */
    @Allow(Permission.STAFF)
    @GetMapping("/api/floor")
    List<PracticalView> floor(@Me Caller caller) {
        var tables = new ArrayList<PracticalView>();
        for (var id : practicals.floor(caller))
            try {
                tables.add(views.onFloor(caller, id));
            } catch (Refusal | InvalidValue | UnreadableDocument e) {
                // One that cannot be opened takes down no other; it says itself why, in the list and where it is
                // opened.
                log.warn("{} is not on the floor: {}", id, e.getMessage());
            }
        return tables;
    }

    /** What other devices wrote for these tables since. */
    @Allow(Permission.STAFF)
    @GetMapping("/api/floor/news")
    List<Practicals.News> news(@Me Caller caller, @RequestParam(defaultValue = "0") long after) {
        return practicals.news(caller, after);
    }

    @Allow(Permission.SIGNED_IN)
    @PostMapping("/api/practicals/{id}/events")
    Stored append(@Me Caller caller, @PathVariable UUID id, @RequestBody Sent sent) {
        var stored = capture.append(caller, id, sent.events);
        return new Stored(stored.events(), stored.finished());
    }

    /** Scores and progress so far; once it is finished only after the rating of the whole. */
    @Allow(Permission.STAFF)
    @GetMapping("/api/practicals/{id}/scores")
    SoFar scores(@Me Caller caller, @PathVariable UUID id) {
        return practicals.soFar(caller, id);
    }

    @Allow(Permission.STAFF)
    @PostMapping("/api/practicals/{id}/rating")
    PracticalView rate(@Me Caller caller, @PathVariable UUID id, @RequestBody Rating rating) {
        awards.rate(caller, id, rating.value);
        return one(caller, id);
    }

    /** A second grader marks the same run, blind to the first. */
    @Allow(Permission.STAFF)
    @PostMapping("/api/practicals/{id}/beside")
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<PracticalView> beside(@Me Caller caller, @PathVariable UUID id) {
        return made(caller, practicals.beside(caller, id));
    }

    /** Another student is asked to watch and write down what they see. */
    @Allow(Permission.STAFF)
    @PostMapping("/api/practicals/{id}/peer-looks")
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<Watched> watch(@Me Caller caller, @PathVariable UUID id, @RequestBody Watched sent) {
        var look = practicals.watch(caller, id, sent.observer);
        return Made.at(AT + look, new Watched(look, sent.observer));
    }

    /** The looks the caller is asked for now. */
    @Allow(Permission.SIGNED_IN)
    @GetMapping("/api/me/peer-looks")
    List<Practicals.Watching> watching(@Me Caller caller) {
        return practicals.watching(caller);
    }

    /** The student's own marks, before the result is shown. */
    @Allow(Permission.SIGNED_IN)
    @PostMapping("/api/practicals/{id}/self-marks")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void selfMark(@Me Caller caller, @PathVariable UUID id, @RequestBody SelfMarks sent) {
        practicals.selfMark(caller, id, sent.marks == null ? Map.of() : sent.marks);
    }

    /** Finished practicals of the caller that wait for their own marks. */
    @Allow(Permission.SIGNED_IN)
    @GetMapping("/api/me/to-mark")
    List<Practicals.ToMark> toMark(@Me Caller caller) {
        return practicals.toMark(caller.id());
    }

    /** With a reason it does not count any more; without one it counts again. */
    @Allow(Permission.STAFF)
    @PutMapping("/api/practicals/{id}/void")
    PracticalView setVoid(@Me Caller caller, @PathVariable UUID id, @RequestBody Voided voided) {
        awards.setVoid(caller, id, voided.reason);
        return one(caller, id);
    }

    @Allow(Permission.STAFF)
    @PutMapping("/api/practicals/{id}/award")
    PracticalView award(@Me Caller caller, @PathVariable UUID id, @RequestBody SentAward sent) {
        if (sent.from == null || sent.award == null)
            throw new InvalidValue("award", new Fault(sent.from == null ? "from" : "award", "", "is missing"));
        awards.award(caller, id, sent.from, sent.award);
        return one(caller, id);
    }

    @Allow(Permission.STAFF)
    @GetMapping(path = "/api/practicals/{id}/file", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<String> file(@Me Caller caller, @PathVariable UUID id) {
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=\"practical-" + id + ".json\"")
                .body(Documents.write(views.record(caller, id)));
    }

    @Allow(Permission.TERM_STAFF)
    @PostMapping(
            path = "/api/terms/{term}/students/{student}/practicals/file",
            consumes = MediaType.APPLICATION_JSON_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<PracticalView> read(
            @Me Caller caller, @PathVariable UUID term, @PathVariable UUID student, @RequestBody String text)
            throws FormatException {
        terms.mustBeOpen(term);
        if (terms.students(term).stream().noneMatch(s -> s.id().equals(student)))
            throw new InvalidValue(
                    "practical", new Fault("student", student.toString(), "is not a student of this term"));
        var record = Documents.readPractical(text);
        var startedAt = record.events().stream()
                .filter(e -> e.wall() != null)
                .map(e -> e.wall().minusMillis(e.atMs()))
                .findFirst()
                .orElseGet(clock::instant);
        return made(caller, practicals.take(term, student, null, caller, record, startedAt));
    }
}
