package palmtally.core.sequence;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.technique.Technique;

/**
 * What a change of a technique would do to a sequence that uses it. A step follows, field by field, where it has what was usual before:
 * a hand, a depth or a dose of its own is left alone. What else is said of the technique holds for all its steps.
 *
 * @param followed the sequence after following; the same where no step follows
 * @param steps ids of the steps that change
 * @param own ids of the steps with this technique that have a hand, a depth and a dose of their own where those changed
 */
public record Follow(Sequence followed, List<String> steps, List<String> own) {
    /** @throws InvalidValue where a step could not take the new usual values */
    public static Follow of(Sequence sequence, Technique before, Technique after) {
        var changed = new HashMap<String, Step>();
        var steps = new ArrayList<String>();
        var own = new ArrayList<String>();
        for (var step : sequence.steps()) {
            if (!step.technique().id().equals(before.id())) continue;
            boolean handed = step.tool() == before.tool() && Objects.equals(step.hand(), before.hand());
            var usual = step.with(e -> {
                if (handed) {
                    e.tool = after.tool();
                    e.hand = after.hand();
                }
                if (step.depth() == before.depth()) e.depth = after.depth();
                if (step.dose().equals(before.dose())) {
                    e.dose = after.dose();
                    if (step.secondSide() != null && step.secondSide().equals(before.dose()))
                        e.secondSide = after.dose();
                }
            });
            boolean asItIs = usual.equals(step) && !asGiven(before).equals(asGiven(after));
            (asItIs ? own : steps).add(step.id());
            changed.put(step.id(), usual.with(e -> e.technique = after));
        }
        var followed = sequence.withBlocks(sequence.blocks().stream()
                .map(b -> b.withSteps(b.steps().stream()
                        .map(s -> changed.getOrDefault(s.id(), s))
                        .toList()))
                .toList());
        return new Follow(followed, List.copyOf(steps), List.copyOf(own));
    }

    /** What a step takes over from its technique. */
    private static List<@Nullable Object> asGiven(Technique t) {
        return Arrays.asList(t.tool(), t.hand(), t.depth(), t.dose());
    }
}
