package palmtally.server.calendar;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Region;
import palmtally.core.calendar.Curriculum;
import palmtally.core.calendar.Lesson;
import palmtally.core.calendar.TermChecks;
import palmtally.core.calendar.TermDifference;
import palmtally.core.calendar.TermLayout;
import palmtally.core.sequence.Difference;
import palmtally.core.sequence.Sequence;
import palmtally.formats.Documents;
import palmtally.formats.FormatException;
import palmtally.formats.TermChecksView;
import palmtally.formats.TermFile;
import palmtally.server.answer.Page;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;
import palmtally.server.people.Terms;
import palmtally.server.problem.Refusal;
import palmtally.server.profile.Profiles;
import palmtally.server.sequence.Sequences;
import palmtally.server.version.Version;
import palmtally.server.version.VersionLine;

/** The plan of a term: read with what the checks say, drafted, laid out, saved, in and out. */
@RestController
class CurriculumController {
    record CurriculumView(
            int version,
            double week,
            Curriculum curriculum,
            TermChecksView checks,
            Page<VersionLine> history,
            boolean archived,
            @Nullable String damaged) {}

    /** @param from the version it was made from */
    record TermEdit(
            @Nullable Integer from,
            @Nullable Curriculum curriculum,
            @Nullable String what) {}

    record TermDraft(@Nullable Curriculum curriculum) {}

    record TermDraftMend(
            @Nullable Curriculum curriculum, @Nullable String key) {}

    /** @param regions in the order in which the school would take them */
    record LayoutWish(
            @Nullable Curriculum curriculum, @Nullable List<Region> regions) {}

    record TermDraftView(Curriculum curriculum, TermChecksView checks) {}

    record LayoutView(Curriculum curriculum, TermChecksView checks, double overMinutes, int missed, boolean proven) {}

    record TermText(@Nullable String text) {}

    /** What a curriculum file would do. */
    record TermPreview(String name, int lessons, List<String> changes, List<SequenceChange> sequences) {}

    record SequenceChange(String id, String name, boolean known, List<String> changes) {}

    record TwoTerms(@Nullable Curriculum before, @Nullable Curriculum after) {}

    private final Curricula curricula;
    private final Sequences sequences;
    private final Profiles profiles;
    private final Terms terms;
    private final java.time.Clock clock;

    CurriculumController(
            Curricula curricula, Sequences sequences, Profiles profiles, Terms terms, java.time.Clock clock) {
        this.curricula = curricula;
        this.sequences = sequences;
        this.profiles = profiles;
        this.terms = terms;
        this.clock = clock;
    }

    @Allow(Permission.TERM_STAFF)
    @GetMapping("/api/terms/{term}/curriculum")
    CurriculumView curriculum(@PathVariable UUID term) {
        return view(term, curricula.newest(term));
    }

    /** Lines of its versions, the newest first. */
    @Allow(Permission.TERM_STAFF)
    @GetMapping("/api/terms/{term}/curriculum/versions")
    Page<VersionLine> versions(@PathVariable UUID term, @RequestParam(required = false) @Nullable Integer before) {
        return curricula.versions(term, before);
    }

    @Allow(Permission.TERM_STAFF)
    @GetMapping("/api/terms/{term}/curriculum/versions/{version}")
    Curriculum version(@PathVariable UUID term, @PathVariable int version) {
        return curricula.numbered(term, version);
    }

    @Allow(Permission.TERM_PLANNER)
    @PutMapping("/api/terms/{term}/curriculum")
    CurriculumView save(@Me Caller caller, @PathVariable UUID term, @RequestBody TermEdit edit) {
        if (edit.from == null || edit.curriculum == null)
            throw new InvalidValue("edit", new Fault(edit.from == null ? "from" : "curriculum", "", "is missing"));
        if (edit.what != null && edit.what.length() > 200)
            throw new InvalidValue(
                    "edit", new Fault("what", edit.what.length() + " characters", "must be at most 200"));
        return curricula.save(
                term, edit.curriculum, edit.from, edit.what == null ? "Edited" : edit.what, caller, v -> view(term, v));
    }

    /** What the checks say of a draft; nothing is stored. */
    @Allow(Permission.TERM_STAFF)
    @PostMapping("/api/terms/{term}/curriculum/check")
    TermChecksView check(@PathVariable UUID term, @RequestBody TermDraft draft) {
        return TermChecksView.of(checks(need(draft.curriculum)));
    }

    @Allow(Permission.TERM_STAFF)
    @PostMapping("/api/terms/{term}/curriculum/mend")
    TermDraftView mend(@PathVariable UUID term, @RequestBody TermDraftMend draft) {
        var finding = checks(need(draft.curriculum)).findings().stream()
                .filter(f -> f.key().equals(draft.key))
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("finding in this plan"));
        var mend = finding.mend();
        if (mend == null)
            throw Refusal.invalid("no-mend", "This finding has no mend to apply; change the lessons instead.");
        return new TermDraftView(mend.mended(), TermChecksView.of(checks(mend.mended())));
    }

    /** Lays the term out anew from regions in the order wished for; nothing is stored. */
    @Allow(Permission.TERM_STAFF)
    @PostMapping("/api/terms/{term}/curriculum/layout")
    LayoutView layout(@PathVariable UUID term, @RequestBody LayoutWish wish) {
        var frame = need(wish.curriculum);
        if (wish.regions == null || wish.regions.isEmpty())
            throw new InvalidValue("layout", new Fault("regions", "", "needs at least one region"));
        var profile = profiles.ofSchool().document();
        var wishes = wish.regions.stream()
                .map(r -> TermLayout.Wish.of(r, of(frame, r), profile))
                .toList();
        var laid = TermLayout.of(frame, wishes, profile);
        return new LayoutView(
                laid.term(), TermChecksView.of(checks(laid.term())), laid.overMinutes(), laid.missed(), laid.proven());
    }

    /** The sequences a term shows for a region already, in the order of its lessons; else the first of the school. */
    private List<Sequence> of(Curriculum frame, Region region) {
        var all = sequences.all().stream().map(Version::document).toList();
        var named = frame.lessons().stream()
                .filter(l -> l.region() == region && l.sequence() != null)
                .map(Lesson::sequence)
                .distinct()
                .flatMap(id -> all.stream().filter(s -> s.id().equals(id)))
                .toList();
        return named.isEmpty()
                ? all.stream().filter(s -> s.region() == region).limit(1).toList()
                : named;
    }

    @Allow(Permission.TERM_STAFF)
    @PostMapping("/api/terms/{term}/curriculum/difference")
    List<String> difference(@PathVariable UUID term, @RequestBody TwoTerms two) {
        return TermDifference.between(need(two.before), need(two.after));
    }

    @Allow(Permission.TERM_MEMBER)
    @GetMapping(path = "/api/terms/{term}/curriculum/file", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<String> file(@PathVariable UUID term) {
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=\"term.curriculum.json\"")
                .body(Documents.write(curricula.file(term)));
    }

    /** What a file would change, without changing it. */
    @Allow(Permission.TERM_STAFF)
    @PostMapping("/api/terms/{term}/curriculum/incoming/preview")
    TermPreview preview(@Me Caller caller, @PathVariable UUID term, @RequestBody TermText given)
            throws FormatException {
        return preview(term, read(given));
    }

    /** Takes the plan of a file and its sequences, or nothing of it. */
    @Allow(Permission.TERM_PLANNER)
    @PostMapping("/api/terms/{term}/curriculum/incoming")
    TermPreview take(@Me Caller caller, @PathVariable UUID term, @RequestBody TermText given) throws FormatException {
        var file = read(given);
        var preview = preview(term, file);
        curricula.take(term, file, caller);
        return preview;
    }

    private static TermFile read(TermText given) throws FormatException {
        if (given.text == null) throw new InvalidValue("file", new Fault("text", "", "is missing"));
        return Documents.readCurriculum(given.text);
    }

    private TermPreview preview(UUID term, TermFile file) {
        var changed = new ArrayList<SequenceChange>();
        for (var s : file.sequences()) {
            var now = sequences.find(s.id());
            changed.add(new SequenceChange(
                    s.id(),
                    s.name(),
                    now.isPresent(),
                    now.map(v -> Difference.between(v.document(), s)).orElse(List.of())));
        }
        return new TermPreview(
                file.curriculum().name(),
                file.curriculum().lessons().size(),
                TermDifference.between(curricula.newest(term).curriculum(), file.curriculum()),
                changed);
    }

    private static Curriculum need(@Nullable Curriculum given) {
        if (given == null) throw new InvalidValue("draft", new Fault("curriculum", "", "is missing"));
        return given;
    }

    private TermChecks checks(Curriculum curriculum) {
        return TermChecks.run(
                curriculum,
                sequences.all().stream().map(Version::document).toList(),
                profiles.ofSchool().document());
    }

    private CurriculumView view(UUID id, Curricula.Versioned v) {
        var term = terms.term(id);
        return new CurriculumView(
                v.version(),
                term.week(clock.instant(), clock.getZone()),
                v.curriculum(),
                TermChecksView.of(checks(v.curriculum())),
                curricula.versions(id, null),
                terms.archived(id),
                v.damaged());
    }
}
