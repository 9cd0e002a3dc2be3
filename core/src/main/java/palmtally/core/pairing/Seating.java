package palmtally.core.pairing;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import palmtally.core.InvalidValue;

/**
 * Who is at which table with whom in one round.
 *
 * @param tables who is at each, in the order in which they are therapist; two, or three where tables or pairs do not come out even
 * @param repeats how often partners of now have met before, in all
 * @param unmet how many tables break what is asked: two who are kept apart, or nobody who can be worked on; 0 where all is met
 */
public record Seating(List<List<String>> tables, int repeats, int unmet) {
    public Seating {
        tables = tables.stream().map(List::copyOf).toList();
    }

    /** How often two have met: everybody at a table met everybody at it. */
    public static Map<Pair, Integer> met(List<List<String>> all) {
        Map<Pair, Integer> met = new HashMap<>();
        for (var group : all)
            for (int a = 0; a < group.size(); a++)
                for (int b = a + 1; b < group.size(); b++)
                    met.merge(new Pair(group.get(a), group.get(b)), 1, Integer::sum);
        return met;
    }

    /**
     * The seats of one round.
     *
     * @param before tables of earlier rounds, each in the order in which they were therapist
     * @throws InvalidValue as {@link SeatingWish}
     */
    public static Seating of(List<String> people, int tables, int atTable, List<List<String>> before) {
        return Rotation.of(List.of(new SeatingWish(people, tables, atTable)), Set.of(), before)
                .get(0);
    }
}
