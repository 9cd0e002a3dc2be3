package palmtally.server.competency;

import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import palmtally.core.competency.LookPlan;
import palmtally.formats.Table;
import palmtally.server.answer.Page;
import palmtally.server.live.Live;
import palmtally.server.people.Access;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;
import palmtally.server.people.Terms;
import palmtally.server.problem.Refusal;

/** Track: the cohort, one student, what to do next, and what is taken along. */
@RestController
class CompetencyController {
    private static final MediaType WORKBOOK =
            MediaType.parseMediaType("application/vnd.openxmlformats-officedocument.spreadsheetml.sheet");

    private final Tracking tracking;
    private final Lookout lookout;
    private final CohortSteps steps;
    private final Marks marks;
    private final Graders graders;
    private final Closing closing;
    private final TrackAudience audience;
    private final OwnTrackAudience own;
    private final Live live;
    private final Terms terms;
    private final Access access;

    CompetencyController(
            Tracking tracking,
            Lookout lookout,
            CohortSteps steps,
            Marks marks,
            Graders graders,
            Closing closing,
            TrackAudience audience,
            OwnTrackAudience own,
            Live live,
            Terms terms,
            Access access) {
        this.tracking = tracking;
        this.lookout = lookout;
        this.steps = steps;
        this.marks = marks;
        this.graders = graders;
        this.closing = closing;
        this.audience = audience;
        this.own = own;
        this.live = live;
        this.terms = terms;
        this.access = access;
    }

    @Allow(Permission.TERM_STAFF)
    @GetMapping("/api/terms/{term}/competency")
    Tracking.Cohort cohort(@Me Caller caller, @PathVariable UUID term) {
        return tracking.cohort(caller, term);
    }

    /** Says whenever something that Track shows has changed. */
    @Allow(Permission.TERM_STAFF)
    @GetMapping(path = "/api/terms/{term}/competency/live", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    ResponseEntity<SseEmitter> live(@Me Caller caller, @PathVariable UUID term, HttpServletRequest request) {
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noStore())
                .body(live.open(audience, term.toString(), Live.Who.of(request, caller.id())));
    }

    /** Says to students whenever something has changed on their own page. */
    @Allow(Permission.SIGNED_IN)
    @GetMapping(path = "/api/competency/students/{id}/live", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    ResponseEntity<SseEmitter> ownLive(@Me Caller caller, @PathVariable UUID id, HttpServletRequest request) {
        access.maySee(caller, id);
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noStore())
                .body(live.open(own, id.toString(), Live.Who.of(request, caller.id())));
    }

    @Allow(Permission.SIGNED_IN)
    @GetMapping("/api/competency/students/{id}")
    Tracking.Student student(@Me Caller caller, @PathVariable UUID id) {
        return tracking.student(caller, id);
    }

    /** What to watch in the coming lab. */
    @Allow(Permission.TERM_STAFF)
    @GetMapping("/api/terms/{term}/watch")
    Lookout.WatchList watch(
            @Me Caller caller, @PathVariable UUID term, @RequestParam(required = false) @Nullable Double minutes) {
        return lookout.watch(caller, term, minutes);
    }

    /** What so many graders can see of the class in the labs to come. */
    @Allow(Permission.TERM_STAFF)
    @GetMapping("/api/terms/{term}/looks")
    LookPlan.Reach looks(@PathVariable UUID term, @RequestParam(defaultValue = "1") int graders) {
        return lookout.reach(term, graders);
    }

    @Allow(Permission.TERM_STAFF)
    @GetMapping("/api/terms/{term}/forecast")
    Lookout.Forecast forecast(@Me Caller caller, @PathVariable UUID term) {
        return lookout.forecast(caller, term);
    }

    /** What the class misses, step by step. */
    @Allow(Permission.TERM_STAFF)
    @GetMapping("/api/terms/{term}/steps")
    CohortSteps.Heat steps(@PathVariable UUID term) {
        return steps.heat(term);
    }

    /** The practicals in which a step went wrong. */
    @Allow(Permission.TERM_STAFF)
    @GetMapping("/api/terms/{term}/steps/{sequence}/{step}")
    Page<CohortSteps.Wronged> wrong(
            @PathVariable UUID term,
            @PathVariable String sequence,
            @PathVariable String step,
            @RequestParam(required = false) @Nullable UUID before) {
        return steps.wrong(term, sequence, step, before);
    }

    /** Puts a step into the next demonstration. */
    @Allow(Permission.TERM_PLANNER)
    @PostMapping("/api/terms/{term}/steps/{sequence}/{step}/again")
    CohortSteps.ShownAgain again(
            @Me Caller caller, @PathVariable UUID term, @PathVariable String sequence, @PathVariable String step) {
        return steps.showAgain(caller, term, sequence, step);
    }

    @Allow(Permission.TERM_PLANNER)
    @DeleteMapping("/api/terms/{term}/steps/{sequence}/{step}/again")
    CohortSteps.Heat notAgain(
            @Me Caller caller, @PathVariable UUID term, @PathVariable String sequence, @PathVariable String step) {
        return steps.notAgain(caller, term, sequence, step);
    }

    @Allow(Permission.TERM_MEMBER)
    @GetMapping(path = "/api/terms/{term}/marks.csv", produces = "text/csv")
    ResponseEntity<byte[]> csv(@Me Caller caller, @PathVariable UUID term) {
        return file(
                marks.marks(caller, term).csv().getBytes(StandardCharsets.UTF_8),
                MediaType.parseMediaType("text/csv;charset=UTF-8"),
                "marks.csv");
    }

    @Allow(Permission.TERM_MEMBER)
    @GetMapping(path = "/api/terms/{term}/marks.xlsx")
    ResponseEntity<byte[]> workbook(@Me Caller caller, @PathVariable UUID term) {
        return file(
                Table.workbook(List.of(marks.marks(caller, term), marks.students(caller, term))),
                WORKBOOK,
                "marks.xlsx");
    }

    @Allow(Permission.TERM_STAFF)
    @GetMapping("/api/terms/{term}/evidence")
    Marks.EvidenceFile evidence(@Me Caller caller, @PathVariable UUID term) {
        return marks.evidence(caller, term, null);
    }

    @Allow(Permission.SIGNED_IN)
    @GetMapping("/api/competency/students/{id}/evidence")
    Marks.EvidenceFile evidenceOf(@Me Caller caller, @PathVariable UUID id) {
        access.maySee(caller, id);
        var term = terms.newestOf(id).orElseThrow(() -> Refusal.notFound("term of this student"));
        return marks.evidence(caller, term.id(), id);
    }

    /** How graders compare, and how much the practicals can be relied on. */
    @Allow(Permission.TERM_PLANNER)
    @GetMapping("/api/terms/{term}/graders")
    Graders.GraderQuality graders(@PathVariable UUID term) {
        return graders.of(term);
    }

    @Allow(Permission.TERM_STAFF)
    @GetMapping("/api/terms/{term}/closing")
    Closing.ClosingView closing(@Me Caller caller, @PathVariable UUID term) {
        return closing.view(caller, term);
    }

    @Allow(Permission.LEAD)
    @PostMapping("/api/terms/{term}/closing")
    Closing.ClosingView close(@Me Caller caller, @PathVariable UUID term, @RequestBody Closing.Close how) {
        return closing.close(caller, term, how);
    }

    @Allow(Permission.LEAD)
    @DeleteMapping("/api/terms/{term}/closing")
    Closing.ClosingView reopen(@Me Caller caller, @PathVariable UUID term) {
        return closing.reopen(caller, term);
    }

    private static ResponseEntity<byte[]> file(byte[] body, MediaType type, String name) {
        return ResponseEntity.ok()
                .contentType(type)
                .header("Content-Disposition", "attachment; filename=\"" + name + "\"")
                .body(body);
    }
}
