package palmtally.core.pairing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * The seats of many rounds, planned together: each works on as many bodies as there are before meeting one again.
 *
 * <p>In this order: nobody sits with whom they are kept apart from, and at every table somebody can be worked on; as few partners as can
 * be differ from what was planned; partners are those who met least; threes fall to everybody alike. It starts from the circle in which
 * everybody meets everybody once, or from threes taken in turn, and goes on by exchanges of two people with a memory of the last ones
 * (I. Dotú and P. Van Hentenryck, "Scheduling social golfers locally", CPAIOR 2005, from memory). Not proven to be the least of all.
 */
public final class Rotation {
    private Rotation() {}

    /**
     * @param rounds the first first
     * @param apart those who are never seated together
     * @param before tables of earlier rounds, each in the order in which they were therapist
     * @return the seats of each round
     */
    public static List<Seating> of(List<SeatingWish> rounds, Set<Pair> apart, List<List<String>> before) {
        Map<String, Integer> index = new LinkedHashMap<>();
        for (var round : rounds) for (var p : round.people()) index.putIfAbsent(p, index.size());
        var names = new ArrayList<>(index.keySet());
        int n = names.size();
        var met = new int[n][n];
        for (var pair : Seating.met(before).entrySet()) {
            var a = index.get(pair.getKey().one());
            var b = index.get(pair.getKey().other());
            if (a == null || b == null) continue;
            met[a][b] += pair.getValue();
            met[b][a] += pair.getValue();
        }
        var kept = new boolean[n][n];
        for (var pair : apart) {
            var a = index.get(pair.one());
            var b = index.get(pair.other());
            if (a == null || b == null) continue;
            kept[a][b] = true;
            kept[b][a] = true;
        }
        var threes = new int[n];
        for (var group : before)
            if (group.size() > 2) for (var p : group) if (index.containsKey(p)) threes[index.get(p)]++;
        var search = new SeatSearch(met, kept, threes);
        for (int r = 0; r < rounds.size(); r++) search.add(rounds.get(r), index, r);
        search.run();
        return named(rounds, search, names, before, met);
    }

    /** The seats in the order in which they are therapist: who was first least often begins. */
    private static List<Seating> named(
            List<SeatingWish> rounds, SeatSearch search, List<String> names, List<List<String>> before, int[][] met) {
        Map<String, Integer> first = new HashMap<>();
        for (var group : before) first.merge(group.get(0), 1, Integer::sum);
        var seatings = new ArrayList<Seating>();
        var now = new int[met.length][];
        for (int i = 0; i < met.length; i++) now[i] = met[i].clone();
        for (int r = 0; r < rounds.size(); r++) {
            var tables = new ArrayList<List<String>>();
            int repeats = 0;
            for (var group : search.groups(r)) {
                for (int a = 0; a < group.length; a++)
                    for (int b = a + 1; b < group.length; b++) {
                        repeats += now[group[a]][group[b]]++;
                        now[group[b]][group[a]]++;
                    }
                var table = new ArrayList<String>();
                for (int p : group) table.add(names.get(p));
                table.sort(Comparator.comparingInt(p -> first.getOrDefault(p, 0)));
                tables.add(table);
            }
            tables.forEach(t -> first.merge(t.get(0), 1, Integer::sum));
            seatings.add(new Seating(tables, repeats, search.unmet(r)));
        }
        return List.copyOf(seatings);
    }
}
