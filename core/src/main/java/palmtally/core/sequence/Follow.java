package palmtally.core.sequence;

import java.util.ArrayList;
import java.util.List;
import palmtally.core.InvalidValue;
import palmtally.core.technique.Technique;

/**
 * What a change of a technique would do to a sequence that uses it. A step follows, field by field, where it has what was usual before:
 * a hand, a depth or a dose of its own is left alone.
 *
 * @param followed the sequence after following; the same where no step follows
 * @param steps ids of the steps that change
 * @param own ids of the steps with this technique that have their own ways in all that changed
 */
public record Follow(Sequence followed, List<String> steps, List<String> own) {
    /** @throws InvalidValue where a step could not take the new usual values */
    public static Follow of(Sequence sequence, Technique before, Technique after) {
        var result = sequence;
        var steps = new ArrayList<String>();
        var own = new ArrayList<String>();
        for (var step : sequence.steps()) {
            if (!step.technique().equals(before.id())) continue;
            var changed = step.with(e -> {
                if (step.tool() == before.tool()) e.tool = after.tool();
                if (step.depth() == before.depth()) e.depth = after.depth();
                if (step.dose().equals(before.dose())) {
                    e.dose = after.dose();
                    if (step.secondSide() != null && step.secondSide().equals(before.dose()))
                        e.secondSide = after.dose();
                }
            });
            if (changed.equals(step)) own.add(step.id());
            else {
                steps.add(step.id());
                result = result.replacing(step.id(), s -> changed);
            }
        }
        return new Follow(result, List.copyOf(steps), List.copyOf(own));
    }
}
