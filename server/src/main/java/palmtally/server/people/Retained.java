package palmtally.server.people;

import java.time.LocalDate;
import java.util.List;

/** A kind of record that a school may let go after a time. The feature that keeps it says since when each counts, and removes it. */
public interface Retained {
    /**
     * One that may go.
     *
     * @param id of it, within its kind
     * @param name what the lead reads of it before it goes
     * @param since the day from which its time counts
     */
    record Item(String id, String name, LocalDate since) {}

    /** Id of the kind, such as {@code incidents}. */
    String kind();

    /** What it is, and from when its time counts, as the table says it. */
    String words();

    /** Those whose time counts from that day or an earlier one, the oldest first; not more than {@code most}. */
    List<Item> countingFrom(LocalDate day, int most);

    /** Removes one for good; called in a transaction. */
    void remove(String id);
}
