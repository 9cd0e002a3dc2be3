package palmtally.core.sequence;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.finding.Finding;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Stint.Half;
import palmtally.core.sequence.Timeline.Span;

/** What all checks look at: the sequence on its timeline, and who touched which half of which zone when. */
final class Plan {
    final Sequence sequence;
    final Profile profile;
    final Timeline timeline;
    /** Spans that touch each half, in planned order. A step that covers several zones touches each for its whole time. */
    final Map<Half, List<Span>> touches = new LinkedHashMap<>();

    final List<Found> found = new ArrayList<>();

    Plan(Sequence sequence, Profile profile) {
        this.sequence = sequence;
        this.profile = profile;
        this.timeline = Timeline.of(sequence, profile);
        for (var span : timeline.spans())
            if (span.stint().step().sheet() != Sheet.COVERED
                    || span.stint().step().depth() > 0)
                for (var half : span.stint().halves())
                    touches.computeIfAbsent(half, h -> new ArrayList<>()).add(span);
    }

    int firm() {
        return profile.order().firmDepth();
    }

    void report(Rule rule, Where where, String sentence, String remedy, @Nullable Mend mend) {
        report(rule, profile.severity(rule), where, sentence, remedy, mend);
    }

    void report(Rule rule, Severity severity, Where where, String sentence, String remedy, @Nullable Mend mend) {
        if (severity != Severity.OFF)
            found.add(new Found(new Finding(rule, severity, where, sentence, remedy, List.of()), mend));
    }

    Where at(Span span, @Nullable Zone zone, @Nullable Side side) {
        return new Where(span.stint().step().id(), zone, side, Math.round(span.start() * 1000));
    }

    /** Lowest ceiling of the zones of a step. */
    int ceiling(Step step) {
        return step.zones().stream().mapToInt(profile.pressure()::ceiling).min().orElse(5);
    }

    /** "Step 5" as people count: place among the steps of the sequence, from 1. */
    String number(Step step) {
        var steps = sequence.steps();
        for (int i = 0; i < steps.size(); i++) if (steps.get(i).id().equals(step.id())) return "Step " + (i + 1);
        return step.name();
    }
}
