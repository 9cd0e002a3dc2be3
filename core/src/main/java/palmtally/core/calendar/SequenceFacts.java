package palmtally.core.calendar;

import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import palmtally.core.Sums;
import palmtally.core.body.DrapeUnit;
import palmtally.core.body.Region;
import palmtally.core.finding.Severity;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Timeline;
import palmtally.core.sequence.check.Checks;

/** What a term must know of its sequences, computed once each. */
final class SequenceFacts {
    /**
     * @param seconds for a client, both sides
     * @param classSeconds as a demonstration shows it
     * @param stops findings of severity stop
     * @param drapesLeg whether it opens a leg
     */
    record Facts(double seconds, double classSeconds, long stops, boolean drapesLeg) {}

    private final Map<String, Sequence> sequences = new LinkedHashMap<>();
    private final Map<String, Facts> known = new HashMap<>();
    private final Profile profile;

    SequenceFacts(Collection<Sequence> all, Profile profile) {
        this.profile = profile;
        all.forEach(s -> sequences.put(s.id(), s));
    }

    Map<String, Sequence> byId() {
        return sequences;
    }

    @Nullable
    Sequence sequence(String id) {
        return sequences.get(id);
    }

    /** The one sequence of a region, or null where there is none or a choice. */
    @Nullable
    String only(Region region) {
        var ids = sequences.values().stream()
                .filter(s -> s.region() == region)
                .map(Sequence::id)
                .collect(Collectors.toList());
        return ids.size() == 1 ? ids.get(0) : null;
    }

    Facts of(Sequence sequence) {
        return known.computeIfAbsent(sequence.id(), id -> {
            var checks = Checks.run(sequence, profile);
            double total = checks.timeline().totalSeconds();
            boolean leg = sequence.steps().stream()
                    .anyMatch(s ->
                            s.sheet() == Sheet.OPEN && s.zones().stream().anyMatch(z -> z.unit() == DrapeUnit.LEG));
            long stops = checks.findings().stream()
                    .filter(f -> f.severity() == Severity.STOP)
                    .count();
            return new Facts(total, shown(checks.timeline()), stops, leg);
        });
    }

    /** Of what a lesson means of its sequence; what stops the whole stops a part. */
    Facts of(Sequence sequence, Lesson lesson) {
        var whole = of(sequence);
        var part = lesson.part(sequence);
        if (part == sequence) return whole;
        var timeline = Timeline.of(part, profile);
        return new Facts(timeline.totalSeconds(), shown(timeline), whole.stops, whole.drapesLeg);
    }

    private static double shown(Timeline timeline) {
        double shorter = Sums.of(timeline.spans().stream().mapToDouble(s -> {
            double dose = s.stint().dose().totalSeconds();
            return Math.max(0, dose - Math.min(dose, s.stint().step().shownInClass()));
        }));
        return Math.max(0, timeline.totalSeconds() - shorter);
    }
}
