package palmtally.formats.draft;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Zone;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.jot.Jotted;
import palmtally.core.jot.Routine;
import palmtally.core.picture.Picture;
import palmtally.core.picture.StepPicture;
import palmtally.core.sequence.Block;
import palmtally.core.sequence.Difference;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Template;
import palmtally.core.sequence.Timeline;
import palmtally.core.sequence.check.Checks;
import palmtally.core.sequence.check.Found;
import palmtally.core.sequence.check.MendAll;
import palmtally.core.sequence.detail.Detail;
import palmtally.core.sequence.detail.DetailField;
import palmtally.core.sequence.fit.Fit;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Techniques;

/**
 * A sequence while it is being written: what the checks say, mends, the fit, lines as they were jotted, templates and pictures. Each
 * throws {@link InvalidValue} where something that is needed is missing or cannot be. Times are seconds, lengths metres.
 */
public final class Drafts {
    private Drafts() {}

    /**
     * @param profile id of the profile to judge by, or null for the school's
     * @param client whose body it is for, so that their notes count, or null for nobody's
     */
    public record Draft(
            @Nullable Sequence sequence,
            @Nullable String profile,
            @Nullable UUID client) {}

    public record DraftMend(
            @Nullable Sequence sequence,
            @Nullable String profile,
            @Nullable String key,
            @Nullable UUID client) {}

    /** @param hints whether hints are mended too, or only what is graver */
    public record DraftMendAll(
            @Nullable Sequence sequence,
            @Nullable String profile,
            @Nullable UUID client,
            @Nullable Boolean hints) {}

    /**
     * @param step the step it is about, or null for the whole
     * @param seconds what it adds to the plan, or takes from it
     */
    public record MendLine(
            Severity severity, Rule rule, @Nullable String step, String sentence, String label, double seconds) {}

    public record MendAllView(
            Sequence sequence, List<MendLine> mends, double beforeSeconds, double afterSeconds, PlanView plan) {}

    public record DraftFit(
            @Nullable Sequence sequence,
            @Nullable String profile,
            @Nullable Double slotSeconds) {}

    /** Lines that are read at once, at most. */
    public static final int MOST_LINES = 200;

    /**
     * @param ids of the steps that the lines become, one each
     * @param after the step the first new one comes after, or null for the start
     */
    public record Lines(
            @Nullable List<String> lines,
            @Nullable List<String> ids,
            @Nullable Step after) {}

    /** What must be picked before a line is a step. */
    public record LineQuestion(Jotted.What what, String question, List<String> nearest) {}

    /**
     * @param said what was understood beside what stands on the line of a step
     * @param note what was not understood, in the words of the line; it stays in the step's note
     * @param onto the step it comes after, changed by what the line says of it, or null
     */
    public record JottedLine(
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

    public record Laid(
            @Nullable Sequence sequence,
            @Nullable String profile,
            @Nullable Template template,
            @Nullable List<Zone> zones) {}

    /** @param index place of the step on its side in the planned order, from 0 */
    public record DraftPicture(
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

    public record Two(@Nullable Sequence before, @Nullable Sequence after) {}

    public record DraftView(Sequence sequence, PlanView plan) {}

    public record FitView(
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

    /** What the checks say. */
    public static PlanView check(Draft draft, Known known) {
        return PlanView.of(checks(draft.sequence, draft.profile, draft.client, known));
    }

    private static Checks checks(
            @Nullable Sequence sequence, @Nullable String profile, @Nullable UUID client, Known known) {
        return Checks.run(need(sequence, "sequence"), known.profile(profile), known.notes(client));
    }

    /** The sequence after the mend of one finding. */
    public static DraftView mend(DraftMend draft, Known known) {
        var key = need(draft.key, "key");
        var checks = checks(draft.sequence, draft.profile, draft.client, known);
        var mended = checks.found(key)
                .flatMap(Found::mend)
                .orElseThrow(() -> new InvalidValue(
                        "draft", new Fault("key", key, "is no finding with a mend to apply; change the steps instead")))
                .apply(checks.sequence());
        return new DraftView(mended, PlanView.of(Checks.run(mended, checks.profile(), known.notes(draft.client))));
    }

    /** What every mend together would do. */
    public static MendAllView mendAll(DraftMendAll draft, Known known) {
        var least = Boolean.FALSE.equals(draft.hints) ? Severity.WARN : Severity.HINT;
        var all = MendAll.of(
                need(draft.sequence, "sequence"), known.profile(draft.profile), known.notes(draft.client), least);
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

    /** The best of it for the minutes there are. */
    public static FitView fit(DraftFit draft, Known known) {
        var sequence = need(draft.sequence, "sequence");
        var profile = known.profile(draft.profile);
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

    /** Lines as they were jotted, each a step or a question. */
    public static List<JottedLine> lines(Lines jotted, Known known) {
        var lines = need(jotted.lines, "lines");
        var ids = need(jotted.ids, "ids");
        if (lines.isEmpty() || lines.size() > MOST_LINES)
            throw new InvalidValue(
                    "lines", new Fault("lines", lines.size() + " lines", "must be 1 to " + MOST_LINES + " at once"));
        if (ids.size() != lines.size())
            throw new InvalidValue("lines", new Fault("ids", ids.size() + " ids", "must be one for each line"));
        var library = known.techniques();
        return Routine.of(lines, library, n -> ids.get(n - 1), jotted.after).stream()
                .map(j -> JottedLine.of(j, library))
                .toList();
    }

    /** A template laid over zones. */
    public static List<Block> template(Laid laid, Known known) {
        return need(laid.template, "template")
                .blocks(need(laid.sequence, "sequence"), need(laid.zones, "zones"), known.profile(laid.profile));
    }

    /** A step on one side as it is seen from above the table. */
    public static Picture picture(DraftPicture draft, Known known) {
        var spans = Timeline.of(need(draft.sequence, "sequence"), known.profile(draft.profile))
                .spans();
        int index = need(draft.index, "index");
        if (index < 0 || index >= spans.size())
            throw new InvalidValue(
                    "draft", new Fault("index", String.valueOf(index), "must be 0 to " + (spans.size() - 1)));
        return StepPicture.of(spans.get(index), known.build(), StepPicture.STATURE, draft.stature());
    }

    /** What lies between two texts of a sequence, as sentences. */
    public static List<String> difference(Two two) {
        return Difference.between(need(two.before, "before"), need(two.after, "after"));
    }

    private static <T> T need(@Nullable T value, String field) {
        if (value == null) throw new InvalidValue("draft", new Fault(field, "", "is missing"));
        return value;
    }
}
