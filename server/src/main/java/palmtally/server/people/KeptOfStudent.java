package palmtally.server.people;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * What a feature keeps of a student: it tells it and erases it itself. They are told in the order of their {@code @Order} and erased the
 * other way round, as what comes later stands upon what comes earlier.
 */
public interface KeptOfStudent {
    /**
     * One kind of thing that is kept.
     *
     * @param what as the file names it
     * @param body its rows as a JSON array, or null where there are none
     */
    record Part(String what, @Nullable String body) {}

    /** How many rows of what are gone. */
    final class Erased {
        private final Map<String, Integer> rows = new LinkedHashMap<>();

        public void add(String what, int rows) {
            this.rows.merge(what, rows, Integer::sum);
        }

        public Map<String, Integer> rows() {
            return rows;
        }
    }

    /**
     * @param own whether the student asks: of what is not released they are told that it is there, and no more; a second grader's half
     *     of a run is not theirs to see
     */
    List<Part> told(UUID student, boolean own);

    /** Called in a transaction. */
    void erase(UUID student, Erased erased);
}
