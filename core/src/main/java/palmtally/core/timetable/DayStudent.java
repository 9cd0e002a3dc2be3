package palmtally.core.timetable;

import java.util.List;
import java.util.Set;
import palmtally.core.body.Region;

/**
 * A student on the day, as therapist and as client.
 *
 * @param spared regions on which their body cannot be worked
 * @param agreed sensitive regions in which they agreed to be client
 * @param not those they are never at a table with
 * @param last id of who was their client last, or empty
 * @param away when they are not there
 */
public record DayStudent(
        String id, String name, Set<Region> spared, Set<Region> agreed, Set<String> not, String last, List<Span> away) {
    public DayStudent {
        spared = Set.copyOf(spared);
        agreed = Set.copyOf(agreed);
        not = Set.copyOf(not);
        away = List.copyOf(away);
    }

    /** The same, whoever was their client last. */
    public DayStudent withoutLast() {
        return new DayStudent(id, name, spared, agreed, not, "", away);
    }
}
