package palmtally.core.timetable;

import java.util.List;
import java.util.Set;
import palmtally.core.body.Region;

/**
 * Somebody who grades on the day.
 *
 * @param regions those they may grade
 * @param away when they are not there
 */
public record DayGrader(String id, String name, Set<Region> regions, List<Span> away) {
    public DayGrader {
        regions = Set.copyOf(regions);
        away = List.copyOf(away);
    }
}
