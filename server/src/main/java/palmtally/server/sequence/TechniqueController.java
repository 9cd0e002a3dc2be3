package palmtally.server.sequence;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.finding.Severity;
import palmtally.core.sequence.Follow;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.check.Checks;
import palmtally.core.technique.Dose;
import palmtally.core.technique.DoseTable;
import palmtally.core.technique.HandName;
import palmtally.core.technique.ScopeTopic;
import palmtally.core.technique.Stroke;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Techniques;
import palmtally.core.technique.Tool;
import palmtally.core.technique.Window;
import palmtally.formats.Documents;
import palmtally.formats.FormatException;
import palmtally.server.answer.Made;
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

    /**
     * @param ships whether it came with the program
     * @param standard whether it is as it came
     * @param windows what its doses are held to, in words
     */
    record TechniqueView(
            int version,
            Technique technique,
            boolean ships,
            boolean standard,
            List<String> windows,
            List<UseView> uses) {}

    /**
     * What a school does otherwise; what is not named stays, and an empty hand or caution goes. A technique that ships stays what it is
     * to the rules.
     *
     * @param unbound whether it is to have no window of its own any more
     */
    record TechniqueEdit(
            @Nullable Integer from,
            @Nullable String name,
            @Nullable List<String> aliases,
            @Nullable Stroke stroke,
            @Nullable Tool tool,
            @Nullable String hand,
            @Nullable Integer depth,
            @Nullable Dose dose,
            @Nullable Window window,
            @Nullable Boolean unbound,
            Technique.@Nullable Effort effort,
            @Nullable Boolean strong,
            @Nullable String caution,
            @Nullable Set<ScopeTopic> topics,
            @Nullable Boolean retired,
            @Nullable List<String> follow) {
        private Technique of(Technique t) {
            return t.with(e -> {
                if (name != null) e.name = name.strip();
                if (aliases != null) e.aliases = aliases;
                if (stroke != null) e.stroke = stroke;
                if (tool != null) e.tool = tool;
                if (hand != null) e.hand = hand.isBlank() ? null : hand.strip();
                if (depth != null) e.depth = depth;
                if (dose != null) e.dose = dose;
                if (window != null) e.window = window;
                if (Boolean.TRUE.equals(unbound)) e.window = null;
                if (effort != null) e.effort = effort;
                if (strong != null) e.strong = strong;
                if (caution != null) e.caution = caution.isBlank() ? null : caution.strip();
                if (topics != null) e.topics = topics;
                if (retired != null) e.retired = retired;
            });
        }
    }

    /**
     * A technique of the school's own.
     *
     * @param like id of the one it is done like, but for what is said beside
     */
    record OwnTechnique(
            @Nullable String name,
            @Nullable String like,
            @Nullable TechniqueEdit otherwise) {}

    record HandsEdit(@Nullable Integer from, @Nullable List<HandName> hands) {}

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

    record TechniqueChange(String id, String name, boolean added, boolean changes) {}

    /** @param hands words for hands that are new or mean another hand now */
    record TechniqueChanges(List<TechniqueChange> techniques, List<String> hands) {}

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

    /** Every technique, retired ones too. */
    @Allow(Permission.STAFF)
    @GetMapping("/api/techniques")
    List<TechniqueView> all() {
        var used = sequences.all().stream().map(Version::document).toList();
        return library.techniques().all().stream()
                .map(t -> view(library.newest(t.id()), used))
                .toList();
    }

    @Allow(Permission.STAFF)
    @GetMapping("/api/techniques/{id}")
    TechniqueView one(@PathVariable String id) {
        return view(
                library.newest(id),
                sequences.all().stream().map(Version::document).toList());
    }

    private static TechniqueView view(Library.Versioned v, List<Sequence> all) {
        var uses = new ArrayList<UseView>();
        for (var s : all) {
            var places = places(
                    s,
                    s.steps().stream()
                            .filter(x -> x.technique().id().equals(v.technique().id()))
                            .map(x -> x.id())
                            .toList());
            if (!places.isEmpty()) uses.add(new UseView(s.id(), s.name(), places));
        }
        var ships = Techniques.shipped(v.technique().id());
        return new TechniqueView(
                v.version(),
                v.technique(),
                ships.isPresent(),
                ships.filter(v.technique()::equals).isPresent(),
                DoseTable.windows(v.technique()),
                uses);
    }

    /** Adds a technique of the school's own. */
    @Allow(Permission.PLANNER)
    @PostMapping("/api/techniques")
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<TechniqueView> add(@Me Caller caller, @RequestBody OwnTechnique own) {
        if (own.name == null || own.name.isBlank())
            throw new InvalidValue("technique", new Fault("name", "", "must not be blank"));
        var like = library.newest(own.like == null ? "effleurage" : own.like).technique();
        var named = like.as(library.freshId(own.name), own.name.strip());
        var made = own.otherwise == null ? named : own.otherwise.of(named);
        library.save(made, 0, caller);
        return Made.at("/api/techniques/" + made.id(), view(library.newest(made.id()), List.of()));
    }

    @Allow(Permission.STAFF)
    @GetMapping("/api/hands")
    Library.Hands hands() {
        return library.hands();
    }

    /** The school's own words for hands, all of them. */
    @Allow(Permission.PLANNER)
    @PutMapping("/api/hands")
    Library.Hands hands(@Me Caller caller, @RequestBody HandsEdit edit) {
        if (edit.from == null || edit.hands == null)
            throw new InvalidValue("hands", new Fault(edit.from == null ? "from" : "hands", "", "is missing"));
        return library.saveHands(edit.hands, edit.from, caller);
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
        var after = edit.of(before);
        library.check(library.techniques().with(List.of(after)));
        var profile = profiles.named(null);
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
        var after = edit.of(before);
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
                .body(Documents.write(library.techniques()));
    }

    /** What a file of techniques would change, without changing it. */
    @Allow(Permission.STAFF)
    @PostMapping("/api/techniques/incoming/preview")
    TechniqueChanges preview(@RequestBody TechniquesText given) throws FormatException {
        return changes(read(given));
    }

    /** Takes what a file brings, or nothing of it; no sequence follows. */
    @Allow(Permission.PLANNER)
    @PostMapping("/api/techniques/incoming")
    TechniqueChanges take(@Me Caller caller, @RequestBody TechniquesText given) throws FormatException {
        var techniques = read(given);
        var changes = changes(techniques);
        transaction.executeWithoutResult(x -> library.take(techniques, caller));
        return changes;
    }

    private TechniqueChanges changes(Techniques incoming) {
        library.taking(incoming);
        var now = library.techniques();
        return new TechniqueChanges(
                incoming.own().stream()
                        .map(t -> new TechniqueChange(
                                t.id(),
                                t.name(),
                                now.find(t.id()).isEmpty(),
                                !now.find(t.id()).filter(t::equals).isPresent()))
                        .toList(),
                incoming.hands().stream()
                        .filter(h -> !now.hands().contains(h))
                        .map(HandName::name)
                        .toList());
    }

    private static Techniques read(TechniquesText given) throws FormatException {
        if (given.text == null) throw new InvalidValue("file", new Fault("text", "", "is missing"));
        return Documents.readTechniques(given.text);
    }
}
