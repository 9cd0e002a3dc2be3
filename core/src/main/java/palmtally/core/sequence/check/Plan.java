package palmtally.core.sequence.check;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hipparchus.util.FastMath;
import org.jspecify.annotations.Nullable;
import palmtally.core.body.Position;
import palmtally.core.body.Side;
import palmtally.core.body.Zone;
import palmtally.core.finding.Finding;
import palmtally.core.finding.Finding.Where;
import palmtally.core.finding.Rule;
import palmtally.core.finding.Severity;
import palmtally.core.people.ClientNote;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Block;
import palmtally.core.sequence.Phase;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sheet;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Stint.Half;
import palmtally.core.sequence.Timeline;
import palmtally.core.sequence.Timeline.Span;
import palmtally.core.technique.Technique;
import palmtally.core.technique.Tool;

/** What all checks look at: the sequence on its timeline, and who touched which half of which zone when. */
public final class Plan {
    final Sequence sequence;
    final Profile profile;
    final Timeline timeline;
    final List<Step> steps;
    /** Spans that touch each half, in planned order. A step that covers several zones touches each for its whole time. */
    final Map<Half, List<Span>> touches = new LinkedHashMap<>();

    /** Spans that touch each half or the zone that it lies in: what warms, opens and flushes it. */
    final Map<Half, List<Span>> over = new LinkedHashMap<>();

    final List<Found> found = new ArrayList<>();
    final List<ClientNote> notes;
    private final Map<String, Integer> places = new HashMap<>();
    private final List<Step> inTime = new ArrayList<>();

    Plan(Sequence sequence, Profile profile, List<ClientNote> notes) {
        this.notes = Stream.concat(notes.stream(), sequence.forWhom().stream().flatMap(w -> w.notes().stream()))
                .distinct()
                .toList();
        this.sequence = sequence;
        this.profile = profile;
        this.timeline = Timeline.of(sequence, profile);
        this.steps = sequence.steps();
        for (var step : steps) places.put(step.id(), places.size() + 1);
        for (var span : timeline.spans())
            if (span.stint().step().sheet() != Sheet.COVERED
                    || span.stint().step().depth() > 0) {
                for (var half : span.stint().halves())
                    touches.computeIfAbsent(half, h -> new ArrayList<>()).add(span);
                for (var half : span.stint().over())
                    over.computeIfAbsent(half, h -> new ArrayList<>()).add(span);
            }
    }

    /** Steps in the order of the timeline, each at its first stint. */
    List<Step> inTime() {
        if (inTime.isEmpty()) {
            var seen = new HashSet<String>();
            for (var span : timeline.spans())
                if (seen.add(span.stint().step().id())) inTime.add(span.stint().step());
        }
        return inTime;
    }

    /**
     * Whether a step can be put beside another without breaking a "before" link and without leaving a block that is run on each
     * side for one that is not.
     */
    boolean canMove(Step step, Step beside) {
        var a = blockOf(step);
        var b = blockOf(beside);
        if (step.position() != beside.position() || a.repeat() != b.repeat()) return false;
        int from = steps.indexOf(step);
        int to = steps.indexOf(beside);
        for (int i = Math.min(from, to); i <= Math.max(from, to); i++) {
            var between = steps.get(i);
            if (to < from ? between.before().contains(step.id()) : step.before().contains(between.id())) return false;
        }
        return true;
    }

    private Block blockOf(Step step) {
        return sequence.blocks().stream()
                .filter(b -> b.steps().contains(step))
                .findFirst()
                .orElseThrow();
    }

    /** Stints in the order of the timeline, with the sheet as it lies then. */
    public List<Span> spans() {
        return timeline.spans();
    }

    int firm() {
        return profile.order().firmDepth();
    }

    /** Tells of something that is not as the rule wants it, as gravely as the school takes it. */
    public void report(Rule rule, Where where, String sentence, String remedy, @Nullable Mend mend) {
        report(rule, profile.severity(rule), where, sentence, remedy, mend);
    }

    void report(Rule rule, Severity severity, Where where, String sentence, String remedy, @Nullable Mend mend) {
        if (severity != Severity.OFF)
            found.add(new Found(new Finding(rule, severity, where, sentence, remedy, List.of()), mend));
    }

    Where at(Span span, @Nullable Zone zone, @Nullable Side side) {
        return new Where(span.stint().step().id(), zone, side, FastMath.round(span.start() * 1000));
    }

    /** Whether the client stays clothed, so that no sheet is in question. */
    boolean clothed() {
        return notes.stream().anyMatch(n -> n.kind() == ClientNote.Kind.CLOTHED);
    }

    /** Lowest ceiling of the zones of a step. */
    int ceiling(Step step) {
        return step.zones().stream().mapToInt(profile.pressure()::ceiling).min().orElse(5);
    }

    /** "Step 5" as people count: place among the steps of the sequence, from 1. */
    public String number(Step step) {
        return "Step " + places.get(step.id());
    }

    /** "Steps 2, 4 and 5", or of one "Step 2". */
    String numbers(List<Step> all) {
        if (all.size() == 1) return number(all.get(0));
        var places =
                all.stream().map(s -> String.valueOf(this.places.get(s.id()))).toList();
        return "Steps " + String.join(", ", places.subList(0, places.size() - 1)) + " and "
                + places.get(places.size() - 1);
    }

    /** Where still hands rest and nobody minds. */
    Zone neutral(Position position) {
        return Zone.neutral(position, profile.draping().sensitive());
    }

    /** What the school does where a mend asks for a technique that ships. */
    Technique use(String id) {
        return profile.techniques().toUse(id);
    }

    /** A gentle palm stroke like the given step in everything but tool, depth and dose. */
    Step palmStroke(Step like, String stem, String name, int depth, double seconds, Phase phase) {
        return like.with(
                e -> e.made(sequence.freshId(stem), name, use("effleurage"), Tool.PALM, depth, seconds, phase));
    }

    /** Stints in which the hands are on the body. */
    List<Span> handsOn() {
        return timeline.spans().stream()
                .filter(s -> s.stint().step().depth() > 0
                        && !s.stint().step().technique().stroke().passiveModality())
                .toList();
    }

    /** The same steps with another tool. */
    Mend swap(Set<String> ids, Tool to) {
        var names = steps.stream()
                .filter(s -> ids.contains(s.id()))
                .map(s -> number(s).toLowerCase(Locale.ROOT))
                .collect(Collectors.joining(", "));
        return new Mend("Use " + to.label() + " in " + names, s -> {
            var result = s;
            for (var id : ids) result = result.replacing(id, x -> x.with(e -> e.tool = to));
            return result;
        });
    }
}
