package palmtally.core;

import java.util.List;
import java.util.stream.Collectors;

/** Input that cannot be meant. Carries all faults at once, each with the field, the value and the bound. */
public final class InvalidValue extends IllegalArgumentException {
    private final transient List<Fault> faults;

    /**
     * One fault.
     *
     * @param field path of the field from the thing that was refused, such as {@code blocks/0/steps/3/dose/seconds}
     * @param value the value as it was given
     * @param reason what it breaks, and what would do instead
     */
    public record Fault(String field, String value, String reason) {
        /** The same fault seen from further out. */
        public Fault under(String prefix) {
            return new Fault(field.isEmpty() ? prefix : prefix + "/" + field, value, reason);
        }

        @Override
        public String toString() {
            return (field.isEmpty() ? "it" : field) + " " + reason
                    + (value.isEmpty() || value.equals("null") ? "" : " (is " + value + ")");
        }
    }

    public InvalidValue(String what, List<Fault> faults) {
        super(what + ": " + faults.stream().map(Fault::toString).collect(Collectors.joining("; ")));
        this.faults = List.copyOf(faults);
    }

    public InvalidValue(String what, Fault fault) {
        this(what, List.of(fault));
    }

    public List<Fault> faults() {
        return faults;
    }
}
