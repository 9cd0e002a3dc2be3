package palmtally.server.handout;

import java.time.Clock;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palmtally.server.competency.CohortSteps;
import palmtally.server.competency.Lookout;
import palmtally.server.competency.Tracking;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;
import palmtally.server.people.School;

/** PDF of what Track says of a student, of a cohort, and of what to look at next. */
@RestController
class ReportController {
    private final Tracking tracking;
    private final Lookout lookout;
    private final CohortSteps steps;
    private final School school;
    private final Head head;
    private final PdfRenderer renderer;
    private final Clock clock;

    ReportController(
            Tracking tracking,
            Lookout lookout,
            CohortSteps steps,
            School school,
            Head head,
            PdfRenderer renderer,
            Clock clock) {
        this.tracking = tracking;
        this.lookout = lookout;
        this.steps = steps;
        this.school = school;
        this.head = head;
        this.renderer = renderer;
        this.clock = clock;
    }

    private TrackReports reports() {
        return new TrackReports(head.of(school.name()), clock.getZone());
    }

    private ResponseEntity<byte[]> print(Document document, String paper, String file) {
        return HandoutController.pdf(renderer.print(document, Paper.of(paper)), file);
    }

    @Allow(Permission.SIGNED_IN)
    @GetMapping(path = "/api/competency/students/{id}/report", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> student(
            @Me Caller caller, @PathVariable UUID id, @RequestParam(defaultValue = "a4") String paper) {
        var student = tracking.student(caller, id);
        return print(reports().student(student, clock.instant()), paper, "student-report.pdf");
    }

    @Allow(Permission.TERM_MEMBER)
    @GetMapping(path = "/api/terms/{term}/report", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> cohort(
            @Me Caller caller, @PathVariable UUID term, @RequestParam(defaultValue = "a4") String paper) {
        var cohort = tracking.cohort(caller, term);
        return print(
                reports().cohort(cohort, steps.heat(term), lookout.forecast(caller, term), clock.instant()),
                paper,
                "cohort-report.pdf");
    }

    /** To carry onto the floor. */
    @Allow(Permission.TERM_STAFF)
    @GetMapping(path = "/api/terms/{term}/watch/list", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> looks(
            @Me Caller caller,
            @PathVariable UUID term,
            @RequestParam(required = false) @Nullable Double minutes,
            @RequestParam(defaultValue = "a4") String paper) {
        return print(reports().looks(lookout.watch(caller, term, minutes), clock.instant()), paper, "looks.pdf");
    }
}
