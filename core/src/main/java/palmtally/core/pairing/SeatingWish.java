package palmtally.core.pairing;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;

/**
 * What is asked of the seats of one round.
 *
 * @param people who is there, at least two, each once
 * @param tables how many there are, from 1
 * @param atTable 2, or 3 where a third watches or three take turns
 * @param notClients those whose body must be spared what is worked in this round: each sits where others can be worked on
 * @param kept tables as they were planned: as few partners as can be are changed; empty where nothing was
 */
public record SeatingWish(
        List<String> people, int tables, int atTable, Set<String> notClients, List<List<String>> kept) {
    /** More in one lab are taken for a mistake. */
    private static final int MOST_PEOPLE = 300;

    /** @throws InvalidValue naming every fault; where there are fewer tables than a third of the people */
    public SeatingWish {
        people = List.copyOf(people);
        notClients = Set.copyOf(notClients);
        kept = kept.stream().map(List::copyOf).toList();
        int n = people.size();
        var faults = new ArrayList<Fault>();
        if (n > MOST_PEOPLE) faults.add(new Fault("people", n + " people", "must be at most " + MOST_PEOPLE));
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
    }

    public SeatingWish(List<String> people, int tables, int atTable) {
        this(people, tables, atTable, Set.of(), List.of());
    }

    /**
     * How many sit at each table: twos, and threes at the last for who is left over. Whoever is no client makes a three of their table,
     * so that the other two have a body to work on.
     */
    int[] sizes() {
        int n = people.size();
        int groups = Math.min(tables, Math.max(1, atTable == 2 ? n / 2 : (n + 2) / 3));
        long spared = people.stream().filter(notClients::contains).count();
        // Of n people at g tables of two or three, n - 2 g sit in threes.
        while (n - 2 * groups < spared && 3 * (groups - 1) >= n) groups--;
        int[] sizes = new int[groups];
        for (int g = 0; g < groups; g++) sizes[g] = n / groups + (g >= groups - n % groups ? 1 : 0);
        return sizes;
    }
}
