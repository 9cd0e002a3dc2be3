package palmtally.server.sequence;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.body.Zone;
import palmtally.core.sequence.Block;
import palmtally.core.sequence.Checks;
import palmtally.core.sequence.Difference;
import palmtally.core.sequence.Fit;
import palmtally.core.sequence.QuickAdd;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Template;
import palmtally.server.profile.Profiles;

/** A sequence while it is being written: what the checks say, mends, the fit, shorthand and templates. Nothing is stored here. */
@RestController
class DraftController {
    /** @param profile id of the profile to judge by, or null for the school's */
    record Draft(@Nullable Sequence sequence, @Nullable String profile) {}

    record DraftMend(
            @Nullable Sequence sequence,
            @Nullable String profile,
            @Nullable String key) {}

    record DraftFit(
            @Nullable Sequence sequence,
            @Nullable String profile,
            @Nullable Double slotSeconds) {}

    /** @param after the step the new one comes after, or null for the start */
    record Jotted(
            @Nullable String text,
            @Nullable String id,
            @Nullable Step after) {}

    record Laid(
            @Nullable Sequence sequence,
            @Nullable String profile,
            @Nullable Template template,
            @Nullable List<Zone> zones) {}

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

    DraftController(Profiles profiles) {
        this.profiles = profiles;
    }

    @PostMapping("/api/drafts/check")
    PlanView check(@RequestBody Draft draft) {
        return PlanView.of(Checks.run(need(draft.sequence, "sequence"), profiles.named(draft.profile)));
    }

    @PostMapping("/api/drafts/mend")
    DraftView mend(@RequestBody DraftMend draft) {
        var profile = profiles.named(draft.profile);
        var sequence = need(draft.sequence, "sequence");
        var mended = Sequences.mendOf(sequence, need(draft.key, "key"), profile).apply(sequence);
        return new DraftView(mended, PlanView.of(Checks.run(mended, profile)));
    }

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

    @PostMapping("/api/drafts/step")
    Step step(@RequestBody Jotted line) {
        return QuickAdd.read(need(line.text, "text"), need(line.id, "id"), line.after);
    }

    @PostMapping("/api/drafts/template")
    List<Block> template(@RequestBody Laid laid) {
        return need(laid.template, "template")
                .blocks(need(laid.sequence, "sequence"), need(laid.zones, "zones"), profiles.named(laid.profile));
    }

    /** What lies between two texts of a sequence, as sentences. */
    @PostMapping("/api/drafts/difference")
    List<String> difference(@RequestBody Two two) {
        return Difference.between(need(two.before, "before"), need(two.after, "after"));
    }

    private static <T> T need(@Nullable T value, String field) {
        if (value == null) throw new InvalidValue("draft", new Fault(field, "", "is missing"));
        return value;
    }
}
