package palmtally.server.sequence;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Zone;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.jot.Jotted;
import palmtally.core.jot.Routine;
import palmtally.core.people.ClientNote;
import palmtally.core.picture.Picture;
import palmtally.core.picture.StepPicture;
import palmtally.core.sequence.Block;
import palmtally.core.sequence.Difference;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Template;
import palmtally.core.sequence.Timeline;
import palmtally.core.sequence.check.Checks;
import palmtally.core.sequence.check.MendAll;
import palmtally.core.sequence.detail.Detail;
import palmtally.core.sequence.detail.DetailField;
import palmtally.core.sequence.fit.Fit;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Techniques;
import palmtally.server.note.ClientNotes;
import palmtally.server.people.Allow;
import palmtally.server.people.Caller;
import palmtally.server.people.Me;
import palmtally.server.people.Permission;
import palmtally.server.people.School;
import palmtally.server.profile.Profiles;
import palmtally.server.technique.Library;

/** A sequence while it is being written: what the checks say, mends, the fit, shorthand and templates. Nothing is stored here. */
@RestController
class DraftController {
    /**
     * @param profile id of the profile to judge by, or null for the school's
     * @param client whose body it is for, so that their notes count, or null for nobody's
     */
    record Draft(
            @Nullable Sequence sequence,
            @Nullable String profile,
            @Nullable UUID client) {}

    record DraftMend(
            @Nullable Sequence sequence,
            @Nullable String profile,
            @Nullable String key,
            @Nullable UUID client) {}

    /** @param hints whether hints are mended too, or only what is graver */
    record DraftMendAll(
            @Nullable Sequence sequence,
            @Nullable String profile,
            @Nullable UUID client,
            @Nullable Boolean hints) {}

    /**
     * @param step the step it is about, or null for the whole
     * @param seconds what it adds to the plan, or takes from it
     */
    record MendLine(
            Severity severity, Rule rule, @Nullable String step, String sentence, String label, double seconds) {}

    record MendAllView(
            Sequence sequence, List<MendLine> mends, double beforeSeconds, double afterSeconds, PlanView plan) {}

    record DraftFit(
            @Nullable Sequence sequence,
            @Nullable String profile,
            @Nullable Double slotSeconds) {}

    static final int MOST_LINES = 200;

    /**
     * @param ids of the steps that the lines become, one each
     * @param after the step the first new one comes after, or null for the start
     */
    record Lines(
            @Nullable List<String> lines,
            @Nullable List<String> ids,
            @Nullable Step after) {}

    /** What must be picked before a line is a step. */
    record LineQuestion(Jotted.What what, String question, List<String> nearest) {}

    /**
     * @param said what was understood beside what stands on the line of a step
     * @param note what was not understood, in the words of the line; it stays in the step's note
     * @param onto the step it comes after, changed by what the line says of it, or null
     */
    record JottedLine(
            String line,
            @Nullable Step step,
            List<Detail.InWords> said,
            List<String> note,
            @Nullable LineQuestion asked,
            @Nullable Step onto) {
        static JottedLine of(Jotted j, Techniques library) {
            var a = j.asked();
            var said = j.step() == null
                    ? List.<Detail.InWords>of()
                    : j
                            .step()
                            .details()
                            .lines(id -> library.find(id).map(Technique::name).orElse(id))
                            .stream()
                            .filter(l -> l.field() != DetailField.NOTE)
                            .toList();
            return new JottedLine(
                    j.line(),
                    j.step(),
                    said,
                    j.note(),
                    a == null ? null : new LineQuestion(a.what(), a.what().question(), a.nearest()),
                    j.onto());
        }
    }

    record Laid(
            @Nullable Sequence sequence,
            @Nullable String profile,
            @Nullable Template template,
            @Nullable List<Zone> zones) {}

    /** @param index place of the step on its side in the planned order, from 0 */
    record DraftPicture(
            @Nullable Sequence sequence,
            @Nullable String profile,
            @Nullable Integer index,
            @Nullable Double therapist) {
        /** As long and as short as grown people are, metres. */
        private static final double LEAST = 1.2;

        private static final double MOST = 2.3;

        /** How tall the one who works is, metres. */
        double stature() {
            if (therapist == null) return StepPicture.STATURE;
            if (therapist >= LEAST && therapist <= MOST) return therapist;
            throw new InvalidValue(
                    "draft",
                    new Fault("therapist", String.valueOf(therapist), "must be " + LEAST + " to " + MOST + " metres"));
        }
    }

    record Two(@Nullable Sequence before, @Nullable Sequence after) {}

    record DraftView(Sequence sequence, PlanView plan) {}

    record FitView(
            boolean found,
            Sequence sequence,
            double value,
            double mostValue,
            double beforeSeconds,
            double afterSeconds,
            List<Fit.StepFit> changes,
            double missingSeconds,
            List<Fit.Heavy> heaviest,
            boolean proven,
            PlanView plan) {}

    private final Profiles profiles;
    private final ClientNotes clientNotes;
    private final Library library;
    private final School school;

    DraftController(Profiles profiles, ClientNotes clientNotes, Library library, School school) {
        this.school = school;
        this.profiles = profiles;
        this.clientNotes = clientNotes;
        this.library = library;
    }

    private List<ClientNote> notes(Caller caller, @Nullable UUID client) {
        return client == null ? List.of() : clientNotes.notes(caller, client);
    }

    @Allow(Permission.STAFF)
    @PostMapping("/api/drafts/check")
    PlanView check(@Me Caller caller, @RequestBody Draft draft) {
        return PlanView.of(Checks.run(
                need(draft.sequence, "sequence"), profiles.named(draft.profile), notes(caller, draft.client)));
    }

    @Allow(Permission.STAFF)
    @PostMapping("/api/drafts/mend")
    DraftView mend(@Me Caller caller, @RequestBody DraftMend draft) {
        var profile = profiles.named(draft.profile);
        var sequence = need(draft.sequence, "sequence");
        var notes = notes(caller, draft.client);
        var mended = Sequences.mendOf(sequence, need(draft.key, "key"), profile, notes)
                .apply(sequence);
        return new DraftView(mended, PlanView.of(Checks.run(mended, profile, notes)));
    }

    /** What every mend together would do. */
    @Allow(Permission.STAFF)
    @PostMapping("/api/drafts/mend-all")
    MendAllView mendAll(@Me Caller caller, @RequestBody DraftMendAll draft) {
        var least = Boolean.FALSE.equals(draft.hints) ? Severity.WARN : Severity.HINT;
        var all = MendAll.of(
                need(draft.sequence, "sequence"), profiles.named(draft.profile), notes(caller, draft.client), least);
        return new MendAllView(
                all.after().sequence(),
                all.done().stream()
                        .map(d -> new MendLine(
                                d.finding().severity(),
                                d.finding().rule(),
                                d.finding().where().step(),
                                d.finding().sentence(),
                                d.label(),
                                d.seconds()))
                        .toList(),
                all.secondsBefore(),
                all.after().timeline().totalSeconds(),
                PlanView.of(all.after()));
    }

    @Allow(Permission.STAFF)
    @PostMapping("/api/drafts/fit")
    FitView fit(@RequestBody DraftFit draft) {
        var sequence = need(draft.sequence, "sequence");
        var profile = profiles.named(draft.profile);
        double slot = draft.slotSeconds == null ? sequence.slotSeconds() : draft.slotSeconds;
        if (!(slot > 0 && slot <= 14400))
            throw new InvalidValue(
                    "fit", new Fault("slotSeconds", String.valueOf(slot), "must be above 0 and at most 14400"));
        var fit = Fit.to(sequence, profile, slot);
        return new FitView(
                fit.found(),
                fit.sequence(),
                fit.value(),
                fit.mostValue(),
                fit.beforeSeconds(),
                fit.afterSeconds(),
                fit.changes(),
                fit.missingSeconds(),
                fit.heaviest(),
                fit.proven(),
                PlanView.of(Checks.run(fit.sequence(), profile)));
    }

    @Allow(Permission.STAFF)
    @PostMapping("/api/drafts/lines")
    List<JottedLine> lines(@RequestBody Lines jotted) {
        var lines = need(jotted.lines, "lines");
        var ids = need(jotted.ids, "ids");
        if (lines.isEmpty() || lines.size() > MOST_LINES)
            throw new InvalidValue(
                    "lines", new Fault("lines", lines.size() + " lines", "must be 1 to " + MOST_LINES + " at once"));
        if (ids.size() != lines.size())
            throw new InvalidValue("lines", new Fault("ids", ids.size() + " ids", "must be one for each line"));
        return Routine.of(lines, library.techniques(), n -> ids.get(n - 1), jotted.after).stream()
                .map(j -> JottedLine.of(j, library.techniques()))
                .toList();
    }

    @Allow(Permission.STAFF)
    @PostMapping("/api/drafts/template")
    List<Block> template(@RequestBody Laid laid) {
        return need(laid.template, "template")
                .blocks(need(laid.sequence, "sequence"), need(laid.zones, "zones"), profiles.named(laid.profile));
    }

    /** A step on one side as it is seen from above the table. */
    @Allow(Permission.STAFF)
    @PostMapping("/api/drafts/picture")
    Picture picture(@RequestBody DraftPicture draft) {
        var spans = Timeline.of(need(draft.sequence, "sequence"), profiles.named(draft.profile))
                .spans();
        int index = need(draft.index, "index");
        if (index < 0 || index >= spans.size())
            throw new InvalidValue(
                    "draft", new Fault("index", String.valueOf(index), "must be 0 to " + (spans.size() - 1)));
        return StepPicture.of(spans.get(index), school.bodyLook().build(), StepPicture.STATURE, draft.stature());
    }

    /** What lies between two texts of a sequence, as sentences. */
    @Allow(Permission.STAFF)
    @PostMapping("/api/drafts/difference")
    List<String> difference(@RequestBody Two two) {
        return Difference.between(need(two.before, "before"), need(two.after, "after"));
    }

    private static <T> T need(@Nullable T value, String field) {
        if (value == null) throw new InvalidValue("draft", new Fault(field, "", "is missing"));
        return value;
    }
}
