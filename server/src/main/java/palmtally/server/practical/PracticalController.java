package palmtally.server.practical;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
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
import palmtally.core.body.Side;
import palmtally.core.competency.Gate;
import palmtally.core.finding.Criterion;
import palmtally.core.finding.Finding;
import palmtally.core.people.ClientNote;
import palmtally.core.practical.Again;
import palmtally.core.practical.Event;
import palmtally.core.practical.Goal;
import palmtally.core.practical.Outcome;
import palmtally.core.practical.Run;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Timeline;
import palmtally.formats.Documents;
import palmtally.formats.FormatException;
import palmtally.formats.Json;
import palmtally.formats.ScoreView;
import palmtally.formats.UnreadableDocument;
import palmtally.server.people.Accounts;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;
import palmtally.server.people.Person;
import palmtally.server.people.Terms;
import palmtally.server.problem.Refusal;
import palmtally.server.sequence.PlanView.OpenView;
import palmtally.server.sequence.PlanView.SpanView;

/** Grade and review. */
@RestController
class PracticalController {
    record PracticalView(
            UUID id,
            UUID term,
            Person student,
            @Nullable Person partner,
            Person grader,
            Instant startedAt,
            long elapsedMs,
            boolean finished,
            int tableNumber,
            @Nullable Double limitSeconds,
            @Nullable List<ClientNote> today,
            @Nullable String despite,
            @Nullable String voidReason,
            List<String> asked,
            long pausedMs,
            Sides sides,
            Sequence sequence,
            Profile profile,
            List<SpanView> spans,
            List<Event> events,
            RunView run,
            @Nullable Double rating,
            @Nullable ScoreView scores,
            @Nullable AwardView award,
            @Nullable UUID retakeOf,
            Practicals.Kind kind,
            @Nullable Criterion criterion,
            @Nullable UUID beside,
            List<Goal> goals,
            List<Again> again,
            @Nullable Map<Criterion, Double> selfMarks) {}

    /** The run as it was observed; milliseconds. */
    record RunView(List<DoneView> done, List<OpenStretch> opens, List<Stretch> attended, long end) {}

    record DoneView(String step, Side side, long start, long end, String event) {}

    record OpenStretch(OpenView open, long start, long end) {}

    record Stretch(long start, long end) {}

    /** @param since how many taps reached the school afterwards, and are not counted in it */
    record AwardView(int revision, Award award, ScoreView.OutcomeView outcome, String by, Instant at, int since) {}

    /** @param stored how many events the practical has now */
    record Stored(int stored, boolean finished) {}

    /** @param counted how many events the scores rest on */
    record SoFar(int counted, ScoreView scores) {}

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

    private final Practicals practicals;
    private final Capture capture;
    private final Awards awards;
    private final Admission admission;
    private final Accounts accounts;
    private final Terms terms;
    private final Clock clock;

    PracticalController(
            Practicals practicals,
            Capture capture,
            Awards awards,
            Admission admission,
            Accounts accounts,
            Terms terms,
            Clock clock) {
        this.practicals = practicals;
        this.capture = capture;
        this.awards = awards;
        this.admission = admission;
        this.accounts = accounts;
        this.terms = terms;
        this.clock = clock;
    }

    @Allow(Permission.TERM_STAFF)
    @GetMapping("/api/terms/{term}/practicals")
    List<PracticalLine> lines(
            @Me Caller caller, @PathVariable UUID term, @RequestParam(required = false) @Nullable UUID student) {
        return practicals.lines(caller, term, student);
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
    PracticalView start(@Me Caller caller, @RequestBody Practicals.Brief brief) {
        admission.pass(caller, brief, practicals.asked(caller, brief));
        return one(caller, practicals.start(caller, brief));
    }

    @Allow(Permission.SIGNED_IN)
    @GetMapping("/api/practicals/{id}")
    PracticalView one(@Me Caller caller, @PathVariable UUID id) {
        return view(practicals.whole(caller, id), caller);
    }

    /** What the caller has at the tables now. */
    @Allow(Permission.STAFF)
    @GetMapping("/api/floor")
    List<PracticalView> floor(@Me Caller caller) {
        var tables = new ArrayList<PracticalView>();
        for (var id : practicals.floor(caller))
            try {
                tables.add(view(practicals.onFloor(caller, id), caller));
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

    /** Scores so far; once it is finished only after the rating of the whole. */
    @Allow(Permission.STAFF)
    @GetMapping("/api/practicals/{id}/scores")
    SoFar scores(@Me Caller caller, @PathVariable UUID id) {
        var practical = practicals.soFar(caller, id);
        return new SoFar(practical.events().size(), ScoreView.of(practical));
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
    PracticalView beside(@Me Caller caller, @PathVariable UUID id) {
        return one(caller, practicals.beside(caller, id));
    }

    /** Another student is asked to watch and write down what they see. */
    @Allow(Permission.STAFF)
    @PostMapping("/api/practicals/{id}/peer-looks")
    Watched watch(@Me Caller caller, @PathVariable UUID id, @RequestBody Watched sent) {
        return new Watched(practicals.watch(caller, id, sent.observer), sent.observer);
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
                .body(Documents.write(practicals.whole(caller, id).practical()));
    }

    @Allow(Permission.TERM_STAFF)
    @PostMapping(
            path = "/api/terms/{term}/students/{student}/practicals/file",
            consumes = MediaType.APPLICATION_JSON_VALUE)
    PracticalView read(@Me Caller caller, @PathVariable UUID term, @PathVariable UUID student, @RequestBody String text)
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
        return one(caller, practicals.take(term, student, null, caller, record, startedAt));
    }

    private PracticalView view(Practicals.Whole w, Caller caller) {
        var practical = w.practical();
        var scores = Records.scores(practical, w.criterion());
        var run = scores.run();
        // A global rating comes before any score of a finished practical is shown; while it runs they are "so far".
        boolean hidden = w.finished() && w.rating() == null && w.award() == null;
        AwardView award = null;
        List<Goal> goals = hidden ? List.of() : Goal.of(scores, Set.of());
        List<Again> again = List.of();
        if (w.award() != null) {
            var body = Json.MAPPER.readValue(w.award().body(), Award.class);
            var outcome = Awards.outcome(scores, body, w.rating());
            goals = Goal.of(scores, body.struckKeys());
            again = Again.of(scores, outcome, body.values(), body.struckKeys());
            award = new AwardView(
                    w.award().revision(),
                    body,
                    ScoreView.OutcomeView.of(outcome),
                    accounts.person(w.award().awardedBy()).name(),
                    w.award().awardedAt(),
                    w.award().events() == null
                            ? 0
                            : Math.max(
                                    0, Records.taps(w.practical()) - w.award().events()));
        }
        return new PracticalView(
                w.id(),
                w.term(),
                w.student(),
                w.partner(),
                w.grader(),
                w.startedAt(),
                w.elapsedMs(),
                w.finished(),
                w.tableNumber(),
                w.limitSeconds(),
                caller.role().staff() ? w.today() : null,
                w.despite(),
                w.voidReason(),
                practical.asked(),
                run.paused(),
                practical.sides(),
                practical.sequence(),
                practical.profile(),
                Timeline.of(practical.brief(), practical.profile()).spans().stream()
                        .map(s -> SpanView.of(s, practical.profile()))
                        .toList(),
                practical.events(),
                run(run),
                w.rating(),
                hidden
                        ? null
                        : ScoreView.of(
                                scores,
                                Outcome.of(scores, Map.of(), scores.critical().size(), w.rating())),
                award,
                w.retakeOf(),
                w.kind(),
                w.criterion(),
                w.beside(),
                goals,
                again,
                w.selfMarks());
    }

    private static RunView run(Run run) {
        return new RunView(
                run.done().stream()
                        .map(d -> new DoneView(d.step().id(), d.side(), d.start(), d.end(), d.event()))
                        .toList(),
                run.opens().stream()
                        .map(o -> new OpenStretch(
                                new OpenView(o.unit().unit(), o.unit().side()), o.start(), o.end()))
                        .toList(),
                run.attendedStretches().stream()
                        .map(s -> new Stretch(s[0], s[1]))
                        .toList(),
                run.end());
    }
}
