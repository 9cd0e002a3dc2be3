package palmtally.server.handout;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palmtally.core.sequence.Sequence;
import palmtally.server.calendar.Curricula;
import palmtally.server.people.Allow;
import palmtally.server.people.Duties;
import palmtally.server.people.Permission;
import palmtally.server.people.School;
import palmtally.server.people.Terms;
import palmtally.server.picture.Pictures;
import palmtally.server.problem.Refusal;
import palmtally.server.profile.Profiles;
import palmtally.server.sequence.Sequences;

/** PDF of a sequence and of the labs of a week. */
@RestController
class HandoutController {
    private final Sequences sequences;
    private final Profiles profiles;
    private final Curricula curricula;
    private final Terms terms;
    private final School school;
    private final Duties duties;
    private final Pictures pictures;
    private final PdfRenderer renderer;

    HandoutController(
            Sequences sequences,
            Profiles profiles,
            Curricula curricula,
            Terms terms,
            School school,
            Duties duties,
            Pictures pictures,
            PdfRenderer renderer) {
        this.sequences = sequences;
        this.profiles = profiles;
        this.curricula = curricula;
        this.terms = terms;
        this.school = school;
        this.duties = duties;
        this.pictures = pictures;
        this.renderer = renderer;
    }

    /**
     * @param density how much of it stands on paper: words, cards or order
     * @param version a version of the sequence, or none for the newest
     */
    @Allow(Permission.STAFF)
    @GetMapping(path = "/api/sequences/{id}/handout", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> sequence(
            @PathVariable String id,
            @RequestParam(defaultValue = "a4") String paper,
            @RequestParam(defaultValue = "words") String density,
            @RequestParam(required = false) @Nullable Integer version) {
        var v = version == null ? sequences.newest(id) : sequences.numbered(id, version);
        var handout = new SequenceHandout(
                v.document(),
                profiles.ofSchool().document(),
                Density.of(density),
                school.bodyLook().build(),
                pictures::jpeg);
        return pdf(
                renderer.print(handout.document(school.name(), v.number()), Paper.of(paper)),
                id.replaceAll("[^A-Za-z0-9-]", "-") + "-handout.pdf");
    }

    @Allow(Permission.TERM_STAFF)
    @GetMapping(path = "/api/terms/{term}/weeks/{week}/plan", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> week(
            @PathVariable UUID term, @PathVariable int week, @RequestParam(defaultValue = "a4") String paper) {
        var curriculum = curricula.newest(term).curriculum();
        if (week < 1 || week > curriculum.weeks()) throw Refusal.notFound("week in this term");
        Map<String, Sequence> all = new LinkedHashMap<>();
        sequences.all().forEach(v -> all.put(v.document().id(), v.document()));
        var from = terms.term(term).startsOn().plusWeeks(week - 1L);
        var who = new HashMap<String, List<String>>();
        duties.of(term)
                .forEach(d -> who.computeIfAbsent(d.region() + "/" + d.task(), k -> new ArrayList<>())
                        .add(d.name()));
        var plan = new WeekPlan(
                curriculum,
                week,
                all,
                profiles.ofSchool().document(),
                terms.students(term).size());
        return pdf(
                renderer.printOnOne(plan.document(school.name(), from, who), Paper.of(paper)), "week-" + week + ".pdf");
    }

    static ResponseEntity<byte[]> pdf(byte[] body, String name) {
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header("Content-Disposition", "inline; filename=\"" + name + "\"")
                .body(body);
    }
}
