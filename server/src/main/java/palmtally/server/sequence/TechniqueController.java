package palmtally.server.sequence;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Follow;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.check.Checks;
import palmtally.core.technique.Dose;
import palmtally.core.technique.DoseTable;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Techniques;
import palmtally.core.technique.Tool;
import palmtally.formats.Documents;
import palmtally.formats.FormatException;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;
import palmtally.server.profile.Profiles;
import palmtally.server.technique.Library;
import palmtally.server.version.Version;

/** The library of techniques: what each is, where it is used, and what a change would touch. */
@RestController
class TechniqueController {
    /** A sequence that uses a technique, with the places of its steps from 1. */
    record UseView(String sequence, String name, List<Integer> steps) {}

    /** @param windows doses of the dose table, in words */
    record TechniqueView(
            int version, Technique technique, boolean standard, List<String> windows, List<UseView> uses) {}

    /** What a school does otherwise; what is not named stays. */
    record TechniqueEdit(
            @Nullable Integer from,
            @Nullable List<String> aliases,
            @Nullable Tool tool,
            @Nullable Integer depth,
            @Nullable Dose dose,
            @Nullable String caution,
            @Nullable List<String> follow) {}

    /**
     * What a change would do to one sequence.
     *
     * @param follows places of the steps that would follow, from 1
     * @param own places of the steps that have their own ways
     * @param stops how many stops more or fewer
     */
    record TouchView(
            String sequence,
            String name,
            List<Integer> follows,
            List<Integer> own,
            double secondsBefore,
            double secondsAfter,
            int stops,
            int warns) {}

    record TechniquesText(@Nullable String text) {}

    record TechniqueChange(String id, String name, boolean changes) {}

    private final Library library;
    private final Sequences sequences;
    private final Profiles profiles;
    private final TransactionTemplate transaction;

    TechniqueController(Library library, Sequences sequences, Profiles profiles, TransactionTemplate transaction) {
        this.library = library;
        this.sequences = sequences;
        this.profiles = profiles;
        this.transaction = transaction;
    }

    @Allow(Permission.STAFF)
    @GetMapping("/api/techniques")
    List<TechniqueView> all() {
        var used = sequences.all().stream().map(Version::document).toList();
        return library.techniques().all().stream()
                .map(t -> view(library.newest(t.id()), used))
                .toList();
    }

    private static TechniqueView view(Library.Versioned v, List<Sequence> all) {
        var uses = new ArrayList<UseView>();
        for (var s : all) {
            var places = places(
                    s,
                    s.steps().stream()
                            .filter(x -> x.technique().equals(v.technique().id()))
                            .map(x -> x.id())
                            .toList());
            if (!places.isEmpty()) uses.add(new UseView(s.id(), s.name(), places));
        }
        return new TechniqueView(
                v.version(),
                v.technique(),
                Techniques.standard().get(v.technique().id()).equals(v.technique()),
                DoseTable.windows(v.technique()),
                uses);
    }

    private static List<Integer> places(Sequence s, List<String> ids) {
        var places = new ArrayList<Integer>();
        var steps = s.steps();
        for (int i = 0; i < steps.size(); i++) if (ids.contains(steps.get(i).id())) places.add(i + 1);
        return places;
    }

    /** What a change would touch, without changing anything. */
    @Allow(Permission.STAFF)
    @PostMapping("/api/techniques/{id}/try")
    List<TouchView> tryOut(@PathVariable String id, @RequestBody TechniqueEdit edit) {
        var before = library.newest(id).technique();
        var after = changed(before, edit);
        library.techniques().with(List.of(after));
        var profile = profiles.ofSchool().document();
        var touched = new ArrayList<TouchView>();
        for (var v : sequences.all()) {
            var s = v.document();
            var follow = Follow.of(s, before, after);
            if (follow.steps().isEmpty() && follow.own().isEmpty()) continue;
            var had = Checks.run(s, profile);
            var has = Checks.run(follow.followed(), profile);
            touched.add(new TouchView(
                    s.id(),
                    s.name(),
                    places(s, follow.steps()),
                    places(s, follow.own()),
                    had.timeline().totalSeconds(),
                    has.timeline().totalSeconds(),
                    count(has, Severity.STOP) - count(had, Severity.STOP),
                    count(has, Severity.WARN) - count(had, Severity.WARN)));
        }
        return touched;
    }

    private static int count(Checks checks, Severity severity) {
        return (int)
                checks.findings().stream().filter(f -> f.severity() == severity).count();
    }

    /** Stores the change, and a new version of each sequence that is to follow; all or nothing. */
    @Allow(Permission.PLANNER)
    @PutMapping("/api/techniques/{id}")
    List<TechniqueView> save(@Me Caller caller, @PathVariable String id, @RequestBody TechniqueEdit edit) {
        if (edit.from == null) throw new InvalidValue("technique", new Fault("from", "", "is missing"));
        int from = edit.from;
        var before = library.newest(id).technique();
        var after = changed(before, edit);
        var follow = new HashSet<>(edit.follow == null ? List.<String>of() : edit.follow);
        transaction.executeWithoutResult(t -> {
            library.save(after, from, caller);
            for (var v : sequences.all())
                if (follow.contains(v.document().id())) {
                    var followed = Follow.of(v.document(), before, after);
                    if (!followed.steps().isEmpty())
                        sequences.save(
                                followed.followed(), v.number(), "Followed the library: " + after.name(), caller);
                }
        });
        return all();
    }

    @Allow(Permission.STAFF)
    @GetMapping(path = "/api/techniques/file", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<String> file() {
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=\"library.techniques.json\"")
                .body(Documents.writeTechniques(List.copyOf(library.techniques().all())));
    }

    /** What a file of techniques would change, without changing it. */
    @Allow(Permission.STAFF)
    @PostMapping("/api/techniques/incoming/preview")
    List<TechniqueChange> preview(@RequestBody TechniquesText given) throws FormatException {
        return changes(read(given));
    }

    /** Takes every technique of a file, or none; no sequence follows. */
    @Allow(Permission.PLANNER)
    @PostMapping("/api/techniques/incoming")
    List<TechniqueChange> take(@Me Caller caller, @RequestBody TechniquesText given) throws FormatException {
        var techniques = read(given);
        var changes = changes(techniques);
        transaction.executeWithoutResult(x ->
                techniques.forEach(t -> library.save(t, library.newest(t.id()).version(), caller)));
        return changes;
    }

    private List<TechniqueChange> changes(List<Technique> techniques) {
        library.techniques().with(techniques);
        return techniques.stream()
                .map(t -> new TechniqueChange(
                        t.id(), t.name(), !library.newest(t.id()).technique().equals(t)))
                .toList();
    }

    private static List<Technique> read(TechniquesText given) throws FormatException {
        if (given.text == null) throw new InvalidValue("file", new Fault("text", "", "is missing"));
        return Documents.readTechniques(given.text);
    }

    private static Technique changed(Technique t, TechniqueEdit edit) {
        return t.usually(
                edit.aliases == null ? t.aliases() : edit.aliases,
                edit.tool == null ? t.tool() : edit.tool,
                edit.depth == null ? t.depth() : edit.depth,
                edit.dose == null ? t.dose() : edit.dose,
                edit.caution == null ? t.caution() : edit.caution.isBlank() ? null : edit.caution);
    }
}
