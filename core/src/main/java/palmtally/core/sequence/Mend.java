package palmtally.core.sequence;

import java.util.function.UnaryOperator;

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
