package palmtally.core.demonstration;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;

/**
 * Who is at which table with whom: partners who met least so far, so that everybody works on as many bodies as there are.
 *
 * <p>Looks for the least Σ over partners of (times they met)²: starts from each turn of the circle in which everybody meets everybody
 * once, and from each goes on by the best exchange of two people while one makes it less. Not proven to be the least of all; where the
 * rounds before were made here, a turn without a repeat is among the starts.
 *
 * @param tables who is at each, in the order in which they are therapist; two, or three where tables or pairs do not come out even
 * @param repeats how often partners of now have met before, in all
 */
public record Seating(List<List<String>> tables, int repeats) {
    /** Two people; who is named first does not matter. */
    public record Pair(String one, String other) {
        public Pair {
            if (one.compareTo(other) > 0) {
                var first = other;
                other = one;
                one = first;
            }
        }
    }

    public Seating {
        tables = tables.stream().map(List::copyOf).toList();
    }

    /** How often two have met: everybody at a table met everybody at it. */
    static Map<Pair, Integer> met(List<List<String>> all) {
        Map<Pair, Integer> met = new HashMap<>();
        for (var group : all)
            for (int a = 0; a < group.size(); a++)
                for (int b = a + 1; b < group.size(); b++)
                    met.merge(new Pair(group.get(a), group.get(b)), 1, Integer::sum);
        return met;
    }

    /**
     * @param people who is there, at least two, each once
     * @param tables how many there are, from 1
     * @param atTable 2, or 3 where a third watches or three take turns
     * @param before tables of earlier rounds, each in the order in which they were therapist
     * @throws InvalidValue when there are fewer tables than a third of the people
     */
    public static Seating of(List<String> people, int tables, int atTable, List<List<String>> before) {
        var met = met(before);
        int n = people.size();
        var faults = new ArrayList<Fault>();
        if (n < 2) faults.add(new Fault("people", n + " people", "must be at least two"));
        if (new HashSet<>(people).size() < n)
            faults.add(new Fault("people", String.join(", ", people), "names somebody twice"));
        if (atTable < 2 || atTable > 3) faults.add(new Fault("atTable", String.valueOf(atTable), "must be 2 or 3"));
        if (tables < 1 || 3 * tables < n)
            faults.add(new Fault(
                    "tables",
                    String.valueOf(tables),
                    "is too few for " + n + " people at three a table: it takes " + (n + 2) / 3));
        if (!faults.isEmpty()) throw new InvalidValue("seating", faults);
        int groups = Math.min(tables, Math.max(1, atTable == 2 ? n / 2 : (n + 2) / 3));
        int[] sizes = sizes(n, groups);
        List<String> best = List.of();
        long least = Long.MAX_VALUE;
        for (int turn = 0; turn < Math.max(1, n - 1) && least > 0; turn++) {
            var seats = improved(circle(people, turn), sizes, met);
            long cost = cost(seats, sizes, met);
            if (cost < least) {
                least = cost;
                best = seats;
            }
        }
        var groupsOf = split(best, sizes);
        // Who was therapist first least often begins.
        Map<String, Integer> first = new HashMap<>();
        for (var group : before) first.merge(group.get(0), 1, Integer::sum);
        for (var group : groupsOf) group.sort(Comparator.comparingInt(p -> first.getOrDefault(p, 0)));
        int repeats = 0;
        for (var pair : met(groupsOf).keySet()) repeats += met.getOrDefault(pair, 0);
        return new Seating(groupsOf, repeats);
    }

    /** Twos, and threes at the last tables for who is left over. */
    private static int[] sizes(int n, int groups) {
        int[] sizes = new int[groups];
        for (int g = 0; g < groups; g++) sizes[g] = n / groups + (g >= groups - n % groups ? 1 : 0);
        return sizes;
    }

    /** The circle: one stays, the others move on by one place a turn; those across from each other are partners. */
    private static List<String> circle(List<String> people, int turn) {
        int n = people.size();
        int even = n + n % 2;
        var ring = new ArrayList<Integer>();
        for (int i = 1; i < even; i++) ring.add(i);
        Collections.rotate(ring, turn);
        ring.add(0, 0);
        var seats = new ArrayList<String>();
        String alone = null;
        for (int i = 0; i < even / 2; i++) {
            int a = ring.get(i);
            int b = ring.get(even - 1 - i);
            if (a < n && b < n) {
                seats.add(people.get(a));
                seats.add(people.get(b));
            } else alone = people.get(Math.min(a, b));
        }
        if (alone != null) seats.add(alone);
        return seats;
    }

    private static List<String> improved(List<String> from, int[] sizes, Map<Pair, Integer> met) {
        var seats = new ArrayList<>(from);
        long cost = cost(seats, sizes, met);
        while (cost > 0) {
            long least = cost;
            int one = -1;
            int other = -1;
            for (int a = 0; a < seats.size(); a++)
                for (int b = a + 1; b < seats.size(); b++) {
                    Collections.swap(seats, a, b);
                    long with = cost(seats, sizes, met);
                    Collections.swap(seats, a, b);
                    if (with < least) {
                        least = with;
                        one = a;
                        other = b;
                    }
                }
            if (one < 0) break;
            Collections.swap(seats, one, other);
            cost = least;
        }
        return seats;
    }

    private static long cost(List<String> seats, int[] sizes, Map<Pair, Integer> met) {
        long cost = 0;
        int from = 0;
        for (int size : sizes) {
            for (int a = from; a < from + size; a++)
                for (int b = a + 1; b < from + size; b++) {
                    long times = met.getOrDefault(new Pair(seats.get(a), seats.get(b)), 0);
                    cost += times * times;
                }
            from += size;
        }
        return cost;
    }

    private static List<List<String>> split(List<String> seats, int[] sizes) {
        var groups = new ArrayList<List<String>>();
        int from = 0;
        for (int size : sizes) {
            groups.add(new ArrayList<>(seats.subList(from, from + size)));
            from += size;
        }
        return groups;
    }
}
