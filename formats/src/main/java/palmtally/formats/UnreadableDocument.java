package palmtally.formats;

import java.util.List;
import palmtally.core.InvalidValue.Fault;

/** A document that was stored and cannot be read any more: by a fault of an earlier version, or of a disk. Others are not touched by it. */
public final class UnreadableDocument extends IllegalStateException {
    private final transient List<Fault> faults;

    public UnreadableDocument(List<Fault> faults) {
        super(faults.isEmpty() ? "is damaged" : faults.get(0).toString());
        this.faults = List.copyOf(faults);
    }

    /** What is wrong with it, each with its place. */
    public List<Fault> faults() {
        return faults;
    }
}
