package palmtally.core.timetable;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Where a practical is held.
 *
 * @param begins minutes after midnight
 * @param table from 1
 * @param graders ids, the first marks; none where nobody was found
 * @param client id, or null where nobody was found
 */
public record Placed(
        int begins,
        int table,
        List<String> graders,
        @Nullable String client) {
    public Placed {
        graders = List.copyOf(graders);
    }
}
