package palmtally.formats;

import java.util.List;
import palmtally.core.InvalidValue.Fault;

/** A file that cannot be read. Carries every fault with its place as a JSON Pointer (RFC 6901). */
public final class FormatException extends Exception {
    private final transient List<Fault> faults;

    public FormatException(List<Fault> faults) {
        super(faults.size() + (faults.size() == 1 ? " fault" : " faults"));
        this.faults = List.copyOf(faults);
    }

    public List<Fault> faults() {
        return faults;
    }
}
