package palmtally.core.sequence.check;

import java.util.function.UnaryOperator;
import palmtally.core.sequence.Sequence;

/**
 * An edit that removes a finding.
 *
 * @param label what it does, as on its button
 * @param edit from the faulted sequence to the mended one
 */
public record Mend(String label, UnaryOperator<Sequence> edit) {
    public Sequence apply(Sequence sequence) {
        return edit.apply(sequence);
    }
}
