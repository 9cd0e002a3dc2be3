package palmtally.server.earlier;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palmtally.server.answer.Made;
import palmtally.server.earlier.EarlierMarkMapper.StoredMark;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;

/** Marks of before, out of somebody's table. */
@RestController
class EarlierMarksController {
    private final EarlierMarks marks;
    private final TermComparison comparison;

    EarlierMarksController(EarlierMarks marks, TermComparison comparison) {
        this.marks = marks;
        this.comparison = comparison;
    }

    /** This term beside another, or beside marks that were taken over; the last before it where none is named. */
    @Allow(Permission.TERM_PLANNER)
    @GetMapping("/api/terms/{term}/beside")
    TermComparison.TermBeside beside(
            @Me Caller caller, @PathVariable UUID term, @RequestParam(required = false) @Nullable UUID with) {
        return comparison.of(caller, term, with);
    }

    @Allow(Permission.TERM_PLANNER)
    @GetMapping("/api/terms/{term}/earlier-marks")
    List<EarlierMarks.ImportLine> ofTerm(@PathVariable UUID term) {
        return marks.ofTerm(term);
    }

    /** Reads a file as it would be taken over, and keeps nothing. */
    @Allow(Permission.TERM_PLANNER)
    @PostMapping("/api/terms/{term}/earlier-marks/preview")
    EarlierMarks.MarksPreview preview(
            @Me Caller caller, @PathVariable UUID term, @RequestBody EarlierMarks.MarksFile file) {
        return marks.preview(caller, term, file);
    }

    @Allow(Permission.TERM_PLANNER)
    @PostMapping("/api/terms/{term}/earlier-marks")
    ResponseEntity<EarlierMarks.ImportLine> take(
            @Me Caller caller, @PathVariable UUID term, @RequestBody EarlierMarks.MarksFile file) {
        return Made.at("/api/terms/" + term + "/earlier-marks", marks.take(caller, term, file));
    }

    /** All marks of a file go again. */
    @Allow(Permission.PLANNER)
    @PostMapping("/api/earlier-marks/{id}/undo")
    EarlierMarks.ImportLine undo(@Me Caller caller, @PathVariable UUID id) {
        return marks.undo(caller, id);
    }

    @Allow(Permission.STAFF)
    @GetMapping("/api/students/{id}/earlier-marks")
    List<StoredMark> ofStudent(@Me Caller caller, @PathVariable UUID id) {
        return marks.ofStudent(caller, id);
    }

    @Allow(Permission.SIGNED_IN)
    @GetMapping("/api/me/earlier-marks")
    List<StoredMark> own(@Me Caller caller) {
        return marks.own(caller);
    }
}
