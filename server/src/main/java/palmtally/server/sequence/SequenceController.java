package palmtally.server.sequence;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
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
import palmtally.core.body.Region;
import palmtally.core.body.Zone;
import palmtally.core.finding.Severity;
import palmtally.core.jot.Written;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Difference;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Template;
import palmtally.core.sequence.check.Checks;
import palmtally.formats.Documents;
import palmtally.formats.FormatException;
import palmtally.formats.draft.Drafts;
import palmtally.formats.draft.PlanView;
import palmtally.server.answer.Made;
import palmtally.server.answer.Page;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;
import palmtally.server.profile.Profiles;
import palmtally.server.version.Unreadable;
import palmtally.server.version.Version;
import palmtally.server.version.VersionLine;

/** Plans: list, read with what the checks say, mend, undo, in and out. */
@RestController
class SequenceController {
    /** @param damaged says that its newest version, or every one, cannot be read, and why */
    record SequenceLine(
            String id,
            String name,
            Region region,
            int version,
            int steps,
            double totalSeconds,
            double slotSeconds,
            long stops,
            long warns,
            long hints,
            @Nullable String damaged) {}

    record SequenceView(
            UUID versionId,
            int version,
            Sequence sequence,
            PlanView plan,
            Page<VersionLine> history,
            @Nullable String damaged) {}

    /** An edit of the version it was made from. */
    record Edit(
            @Nullable Integer from,
            @Nullable String key,
            @Nullable Integer version,
            @Nullable Sequence sequence,
            @Nullable String what) {}

    private static final Logger log = LoggerFactory.getLogger(SequenceController.class);

    private final Sequences sequences;
    private final Profiles profiles;

    SequenceController(Sequences sequences, Profiles profiles) {
        this.sequences = sequences;
        this.profiles = profiles;
    }

    @Allow(Permission.STAFF)
    @GetMapping("/api/sequences")
    List<SequenceLine> all() {
        var profile = profiles.ofSchool().document();
        return Stream.concat(
                        sequences.all().stream().map(v -> line(v, profile)),
                        sequences.unreadable().stream().map(SequenceController::line))
                .sorted(Comparator.comparing(SequenceLine::region).thenComparing(SequenceLine::name))
                .toList();
    }

    private static SequenceLine line(Unreadable u) {
        var region = Arrays.stream(Region.values())
                .filter(r -> r.toString().equals(u.region()))
                .findFirst()
                .orElse(Region.WHOLE_BODY);
        return new SequenceLine(
                u.id(),
                u.name(),
                region,
                u.version(),
                0,
                0,
                0,
                0,
                0,
                0,
                "No version of it can be read: " + u.why() + ".");
    }

    private static SequenceLine line(Version<Sequence> v, Profile profile) {
        var s = v.document();
        Checks checks;
        try {
            checks = Checks.run(s, profile);
        } catch (RuntimeException e) {
            // One whose checks fail is told apart; the others are listed all the same.
            log.error("checks of {} version {}", s.id(), v.number(), e);
            return new SequenceLine(
                    s.id(),
                    s.name(),
                    s.region(),
                    v.number(),
                    s.steps().size(),
                    0,
                    s.slotSeconds(),
                    0,
                    0,
                    0,
                    "The checks could not be reckoned for it.");
        }
        return new SequenceLine(
                s.id(),
                s.name(),
                s.region(),
                v.number(),
                s.steps().size(),
                checks.timeline().totalSeconds(),
                s.slotSeconds(),
                count(checks, Severity.STOP),
                count(checks, Severity.WARN),
                count(checks, Severity.HINT),
                v.damaged());
    }

    private static long count(Checks checks, Severity severity) {
        return checks.findings().stream().filter(f -> f.severity() == severity).count();
    }

    /**
     * @param template what to start with, laid over the zones, or null for an opening and an end alone
     * @param zones what it is about; the first says how the client lies
     * @param lines the routine as a teacher wrote it down, a line a step; then neither template nor zones are needed
     */
    record NewSequence(
            @Nullable String name,
            @Nullable Region region,
            @Nullable Double slotSeconds,
            @Nullable Template template,
            @Nullable List<Zone> zones,
            @Nullable List<String> lines) {}

    /** Starts a sequence, by template, out of lines, or bare. */
    @Allow(Permission.PLANNER)
    @PostMapping("/api/sequences")
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<SequenceView> begin(@Me Caller caller, @RequestBody NewSequence wanted) {
        var faults = new ArrayList<Fault>();
        if (wanted.name == null || wanted.name.isBlank()) faults.add(new Fault("name", "", "must not be blank"));
        if (wanted.region == null) faults.add(new Fault("region", "", "is missing"));
        var zones = wanted.zones;
        var lines = wanted.lines == null ? List.<String>of() : wanted.lines;
        if (lines.size() > Drafts.MOST_LINES)
            faults.add(
                    new Fault("lines", lines.size() + " lines", "must be at most " + Drafts.MOST_LINES + " at once"));
        if (lines.isEmpty() && (zones == null || zones.isEmpty()))
            faults.add(new Fault("zones", "", "needs at least one zone"));
        if (!faults.isEmpty() || wanted.name == null || wanted.region == null)
            throw new InvalidValue("sequence", faults);
        double slot = wanted.slotSeconds == null ? 1200 : wanted.slotSeconds;
        var id = sequences.freshId(wanted.name);
        var profile = profiles.named(null);
        var made = !lines.isEmpty() || zones == null
                ? Written.sequence(id, wanted.name.trim(), wanted.region, slot, lines, profile.techniques())
                : wanted.template == null
                        ? Template.bare(id, wanted.name.trim(), wanted.region, slot, zones.get(0), profile)
                        : wanted.template.sequence(id, wanted.name.trim(), wanted.region, slot, zones, profile);
        return made(sequences.save(made, 0, "Started", caller, v -> view(v, null)));
    }

    @Allow(Permission.STAFF)
    @GetMapping("/api/sequences/{id}")
    SequenceView one(@PathVariable String id, @RequestParam(required = false) @Nullable String profile) {
        return view(sequences.newest(id), profile);
    }

    /** Lines of its versions, the newest first. */
    @Allow(Permission.STAFF)
    @GetMapping("/api/sequences/{id}/versions")
    Page<VersionLine> versions(@PathVariable String id, @RequestParam(required = false) @Nullable Integer before) {
        return sequences.versions(id, before);
    }

    /** One version as it was, with what changed since the one before. */
    @Allow(Permission.STAFF)
    @GetMapping("/api/sequences/{id}/versions/{version}")
    VersionView version(@PathVariable String id, @PathVariable int version) {
        var v = sequences.numbered(id, version);
        var before = version > 1 ? sequences.numbered(id, version - 1).document() : null;
        return new VersionView(
                v.id(),
                v.number(),
                v.document(),
                before == null ? List.of("The first version.") : Difference.between(before, v.document()));
    }

    record VersionView(UUID versionId, int version, Sequence sequence, List<String> changes) {}

    @Allow(Permission.PLANNER)
    @PutMapping("/api/sequences/{id}")
    SequenceView save(
            @Me Caller caller,
            @PathVariable String id,
            @RequestParam(required = false) @Nullable String profile,
            @RequestBody Edit edit) {
        if (edit.sequence == null) throw new InvalidValue("edit", new Fault("sequence", "", "is missing"));
        if (!edit.sequence.id().equals(id))
            throw new InvalidValue("edit", new Fault("sequence/id", edit.sequence.id(), "must be " + id));
        if (edit.what != null && edit.what.length() > 200)
            throw new InvalidValue(
                    "edit", new Fault("what", edit.what.length() + " characters", "must be at most 200"));
        return sequences.save(
                edit.sequence, from(edit), edit.what == null ? "Edited" : edit.what, caller, v -> view(v, profile));
    }

    @Allow(Permission.PLANNER)
    @PostMapping("/api/sequences/{id}/mend")
    SequenceView mend(
            @Me Caller caller,
            @PathVariable String id,
            @RequestParam(required = false) @Nullable String profile,
            @RequestBody Edit edit) {
        if (edit.key == null) throw new InvalidValue("mend", new Fault("key", "", "is missing"));
        return sequences.mend(id, from(edit), edit.key, profiles.named(profile), caller, v -> view(v, profile));
    }

    @Allow(Permission.PLANNER)
    @PostMapping("/api/sequences/{id}/restore")
    SequenceView restore(
            @Me Caller caller,
            @PathVariable String id,
            @RequestParam(required = false) @Nullable String profile,
            @RequestBody Edit edit) {
        if (edit.version == null) throw new InvalidValue("restore", new Fault("version", "", "is missing"));
        return sequences.restore(id, from(edit), edit.version, caller, v -> view(v, profile));
    }

    @Allow(Permission.STAFF)
    @GetMapping(path = "/api/sequences/{id}/file", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<String> file(@PathVariable String id) {
        return ResponseEntity.ok()
                .header(
                        "Content-Disposition",
                        "attachment; filename=\"" + id.replaceAll("[^A-Za-z0-9-]", "-") + ".sequence.json\"")
                .body(Documents.write(sequences.newest(id).document()));
    }

    @Allow(Permission.PLANNER)
    @PostMapping(path = "/api/sequences/file", consumes = MediaType.APPLICATION_JSON_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<SequenceView> read(@Me Caller caller, @RequestBody String text) throws FormatException {
        return made(sequences.take(Documents.readSequence(text), caller, v -> view(v, null)));
    }

    private static ResponseEntity<SequenceView> made(SequenceView view) {
        return Made.at("/api/sequences/" + view.sequence.id(), view);
    }

    private static int from(Edit edit) {
        if (edit.from == null) throw new InvalidValue("edit", new Fault("from", "", "is missing"));
        return edit.from;
    }

    private SequenceView view(Version<Sequence> v, @Nullable String profile) {
        return new SequenceView(
                v.id(),
                v.number(),
                v.document(),
                PlanView.of(Checks.run(v.document(), profiles.named(profile))),
                sequences.versions(v.document().id(), null),
                v.damaged());
    }
}
