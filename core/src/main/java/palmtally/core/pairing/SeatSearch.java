package palmtally.core.pairing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * Looks for seats of the least cost: starts from turns of a circle and goes on by the best exchange of two people of one round, also where
 * it makes nothing less, but not one that was made just now. People are numbers here. What it does follows from what it is given alone.
 */
final class SeatSearch {
    /** What each thing costs; each outweighs all that may come of what follows it. */
    private static final long BROKEN = 1_000_000_000L;

    private static final long CHANGED = 1_000_000L;
    private static final long REPEAT = 100L;
    private static final long THREE = 1L;

    /** Looks at exchanges, in all: some seconds; where most is planned already, a moment. */
    private static final long MOST_LOOKS = 80_000_000L;

    private static final long MOST_LOOKS_WHERE_PLANNED = 4_000_000L;

    /** So many exchanges without anything better, and it is shaken from the best again. */
    private static final int PATIENCE = 500;

    /** So often shaken in vain, and the best is taken. */
    private static final int MOST_SHAKES = 12;

    private static final class Seats {
        final int[] people;
        /** Table of each seat. */
        final int[] table;
        /** First seat of each table, and the number of all. */
        final int[] from;

        final boolean[] notClient;
        /** Who was planned to sit with whom, or null where nothing was planned. */
        final boolean @org.jspecify.annotations.Nullable [][] kept;

        final int[][] until;
        int[] best;

        Seats(int[] people, int[] sizes, boolean[] notClient, boolean @org.jspecify.annotations.Nullable [][] kept) {
            this.people = people;
            this.notClient = notClient;
            this.kept = kept;
            table = new int[people.length];
            from = new int[sizes.length + 1];
            for (int g = 0; g < sizes.length; g++) {
                from[g + 1] = from[g] + sizes[g];
                Arrays.fill(table, from[g], from[g + 1], g);
            }
            until = new int[notClient.length][notClient.length];
            best = people.clone();
        }

        int size(int g) {
            return from[g + 1] - from[g];
        }
    }

    private final int n;
    private final int[][] met;
    private final int[][] history;
    private final boolean[][] apart;
    private final int[] threes;
    private final List<Seats> rounds = new ArrayList<>();
    /** What all seats cost now, and what they cost at least. */
    private long cost;

    private long meetings;
    /** Whether some of it was planned, so that little is to be changed. */
    private boolean fixed;

    private long looks;
    private long dice = 0x5DEECE66DL;

    SeatSearch(int[][] met, boolean[][] apart, int[] threes) {
        n = met.length;
        this.met = new int[n][];
        for (int i = 0; i < n; i++) this.met[i] = met[i].clone();
        this.history = met;
        this.apart = apart;
        this.threes = threes.clone();
    }

    /** @param turn of the circle to start from */
    void add(SeatingWish wish, Map<String, Integer> index, int turn) {
        int[] sizes = wish.sizes();
        var present = wish.people().stream().mapToInt(index::get).toArray();
        var notClient = new boolean[n];
        wish.notClients().forEach(p -> {
            var i = index.get(p);
            if (i != null) notClient[i] = true;
        });
        boolean[][] kept = null;
        int[] start;
        if (!wish.kept().isEmpty()) {
            kept = new boolean[n][n];
            for (var pair : Seating.met(wish.kept()).keySet()) {
                var a = index.get(pair.one());
                var b = index.get(pair.other());
                if (a == null || b == null) continue;
                kept[a][b] = true;
                kept[b][a] = true;
            }
            start = asPlanned(wish, index, present, sizes);
        } else start = sizes[0] == 2 ? circle(present, turn) : inTurn(present, sizes, turn);
        var seats = new Seats(start, sizes, notClient, kept);
        rounds.add(seats);
        fixed |= kept != null;
        for (int g = 0; g + 1 < seats.from.length; g++) {
            cost += spared(seats.size(g), notClients(seats, g));
            if (seats.size(g) > 2) for (int a = seats.from[g]; a < seats.from[g + 1]; a++) threes[seats.people[a]]++;
            for (int a = seats.from[g]; a < seats.from[g + 1]; a++)
                for (int b = a + 1; b < seats.from[g + 1]; b++) {
                    cost += meeting(seats, seats.people[a], seats.people[b]);
                    move(seats.people[a], seats.people[b], 1);
                    meetings++;
                }
        }
    }

    /** What so many meetings cost at least: each time those meet who met least. */
    private long least() {
        var pairs = new TreeMap<Integer, Long>();
        for (int a = 0; a < n; a++)
            for (int b = a + 1; b < n; b++) if (!apart[a][b]) pairs.merge(history[a][b], 1L, Long::sum);
        long left = meetings;
        long sum = 0;
        while (left > 0 && !pairs.isEmpty()) {
            var fewest = pairs.pollFirstEntry();
            long now = Math.min(left, fewest.getValue());
            sum += now * again(fewest.getKey());
            left -= now;
            pairs.merge(fewest.getKey() + 1, fewest.getValue(), Long::sum);
        }
        return sum;
    }

    private void count(Seats seats, int by) {
        for (int g = 0; g + 1 < seats.from.length; g++)
            for (int a = seats.from[g]; a < seats.from[g + 1]; a++) {
                if (seats.size(g) > 2) threes[seats.people[a]] += by;
                for (int b = a + 1; b < seats.from[g + 1]; b++) {
                    met[seats.people[a]][seats.people[b]] += by;
                    met[seats.people[b]][seats.people[a]] += by;
                }
            }
    }

    /** The circle: one stays, the others move on by one place a turn; those across from each other are partners. */
    private static int[] circle(int[] people, int turn) {
        int size = people.length;
        int even = size + size % 2;
        var ring = new ArrayList<Integer>();
        for (int i = 1; i < even; i++) ring.add(i);
        Collections.rotate(ring, turn);
        ring.add(0, 0);
        int[] seats = new int[size];
        int at = 0;
        int alone = -1;
        for (int i = 0; i < even / 2; i++) {
            int a = ring.get(i);
            int b = ring.get(even - 1 - i);
            if (a < size && b < size) {
                seats[at++] = people[a];
                seats[at++] = people[b];
            } else alone = Math.min(a, b);
        }
        if (alone >= 0) seats[at] = people[alone];
        return seats;
    }

    /** Threes one after another; each later place of a table is moved on by its place a turn. */
    private static int[] inTurn(int[] people, int[] sizes, int turn) {
        int tables = sizes.length;
        int[] seats = new int[people.length];
        int[] from = new int[tables];
        for (int g = 1; g < tables; g++) from[g] = from[g - 1] + sizes[g - 1];
        int at = 0;
        for (int place = 0; at < people.length; place++)
            for (int g = 0; g < tables; g++) {
                int table = (g + place * turn) % tables;
                if (place < sizes[table]) seats[from[table] + place] = people[at++];
            }
        return seats;
    }

    /** Tables of the plan whose people are all there stay together; the others are put where there is room. */
    private static int[] asPlanned(SeatingWish wish, Map<String, Integer> index, int[] present, int[] sizes) {
        var there = new boolean[index.size()];
        for (int p : present) there[p] = true;
        var whole = new ArrayList<int[]>();
        for (var table : wish.kept()) {
            var of = table.stream()
                    .filter(index::containsKey)
                    .mapToInt(index::get)
                    .filter(p -> there[p])
                    .distinct()
                    .toArray();
            for (int p : of) there[p] = false;
            if (of.length > 0) whole.add(of);
        }
        for (int p : present) if (there[p]) whole.add(new int[] {p});
        whole.sort((a, b) -> b.length - a.length);
        int[] seats = new int[present.length];
        Arrays.fill(seats, -1);
        int[] from = new int[sizes.length];
        for (int g = 1; g < sizes.length; g++) from[g] = from[g - 1] + sizes[g - 1];
        int[] taken = new int[sizes.length];
        var rest = new ArrayList<Integer>();
        for (var group : whole) {
            int best = -1;
            for (int g = 0; g < sizes.length; g++)
                if (sizes[g] - taken[g] >= group.length
                        && group.length > 1
                        && (best < 0 || sizes[g] - taken[g] < sizes[best] - taken[best])) best = g;
            if (best < 0) for (int p : group) rest.add(p);
            else for (int p : group) seats[from[best] + taken[best]++] = p;
        }
        int next = 0;
        for (int s = 0; s < seats.length; s++) if (seats[s] < 0) seats[s] = rest.get(next++);
        return seats;
    }

    private int roll(int below) {
        dice = dice * 6364136223846793005L + 1442695040888963407L;
        return (int) ((dice >>> 33) % below);
    }

    /** What it costs that two meet once more who have met so often. */
    private static long again(int times) {
        return REPEAT * times * times;
    }

    private long meeting(Seats seats, int a, int b) {
        long cost = again(met[a][b]);
        if (apart[a][b]) cost += BROKEN;
        if (seats.kept != null && !seats.kept[a][b]) cost += CHANGED;
        return cost;
    }

    private long parting(Seats seats, int a, int b) {
        long cost = again(met[a][b] - 1);
        if (apart[a][b]) cost += BROKEN;
        if (seats.kept != null && !seats.kept[a][b]) cost += CHANGED;
        return cost;
    }

    /** What a table costs at which too few can be worked on: two at least where three sit, both where two do. */
    private static long spared(int size, int notClients) {
        return notClients > size - 2 && notClients > 0 ? BROKEN * (notClients - Math.max(0, size - 2)) : 0;
    }

    private static int notClients(Seats seats, int g) {
        int count = 0;
        for (int s = seats.from[g]; s < seats.from[g + 1]; s++) if (seats.notClient[seats.people[s]]) count++;
        return count;
    }

    /** How much an exchange of two seats of a round makes it cost more. */
    private long change(Seats seats, int s, int t) {
        looks++;
        int a = seats.people[s];
        int b = seats.people[t];
        int g = seats.table[s];
        int h = seats.table[t];
        long cost = 0;
        for (int x = seats.from[g]; x < seats.from[g + 1]; x++)
            if (x != s) cost += meeting(seats, b, seats.people[x]) - parting(seats, a, seats.people[x]);
        for (int y = seats.from[h]; y < seats.from[h + 1]; y++)
            if (y != t) cost += meeting(seats, a, seats.people[y]) - parting(seats, b, seats.people[y]);
        if (seats.notClient[a] != seats.notClient[b]) {
            int by = seats.notClient[a] ? 1 : -1;
            int inG = notClients(seats, g);
            int inH = notClients(seats, h);
            cost += spared(seats.size(g), inG - by) - spared(seats.size(g), inG);
            cost += spared(seats.size(h), inH + by) - spared(seats.size(h), inH);
        }
        boolean three = seats.size(g) > 2;
        if (three != seats.size(h) > 2) {
            int out = three ? a : b;
            int in = three ? b : a;
            cost += THREE * ((2L * threes[in] + 1) - (2L * threes[out] - 1));
        }
        return cost;
    }

    private void exchange(Seats seats, int s, int t) {
        int a = seats.people[s];
        int b = seats.people[t];
        int g = seats.table[s];
        int h = seats.table[t];
        for (int x = seats.from[g]; x < seats.from[g + 1]; x++)
            if (x != s) {
                move(b, seats.people[x], 1);
                move(a, seats.people[x], -1);
            }
        for (int y = seats.from[h]; y < seats.from[h + 1]; y++)
            if (y != t) {
                move(a, seats.people[y], 1);
                move(b, seats.people[y], -1);
            }
        if (seats.size(g) > 2 != seats.size(h) > 2) {
            threes[seats.size(g) > 2 ? b : a]++;
            threes[seats.size(g) > 2 ? a : b]--;
        }
        seats.people[s] = b;
        seats.people[t] = a;
    }

    private void move(int a, int b, int by) {
        met[a][b] += by;
        met[b][a] += by;
    }

    /** Whether somebody sits where it costs something: only they are moved. */
    private boolean troubled(Seats seats, int s) {
        int g = seats.table[s];
        for (int x = seats.from[g]; x < seats.from[g + 1]; x++)
            if (x != s && parting(seats, seats.people[s], seats.people[x]) > 0) return true;
        return spared(seats.size(g), notClients(seats, g)) > 0;
    }

    void run() {
        long best = cost;
        for (var seats : rounds) seats.best = seats.people.clone();
        long enough = least();
        long most = fixed ? MOST_LOOKS_WHERE_PLANNED : MOST_LOOKS;
        int quiet = 0;
        int shakes = 0;
        for (int turn = 1; looks < most && best > enough && shakes <= MOST_SHAKES; turn++) {
            boolean moved = exchangeBest(turn, best);
            quiet++;
            if (cost < best) {
                best = cost;
                quiet = 0;
                shakes = 0;
                for (var seats : rounds) seats.best = seats.people.clone();
            }
            if (!moved || quiet >= PATIENCE) {
                shake(best);
                shakes++;
                quiet = 0;
            }
        }
        for (var seats : rounds) back(seats);
        cost = best;
        evenThrees();
    }

    /** Makes the best exchange of somebody who sits where it costs something. */
    private boolean exchangeBest(int turn, long best) {
        Seats of = null;
        int one = -1;
        int other = -1;
        long by = Long.MAX_VALUE;
        int ties = 0;
        for (var seats : rounds)
            for (int s = 0; s < seats.people.length; s++) {
                looks++;
                if (!troubled(seats, s)) continue;
                for (int t = 0; t < seats.people.length; t++) {
                    if (seats.table[s] == seats.table[t]) continue;
                    long here = change(seats, s, t);
                    boolean justMade = seats.until[seats.people[s]][seats.people[t]] >= turn;
                    if (here > by || justMade && cost + here >= best) continue;
                    ties = here < by ? 1 : ties + 1;
                    by = here;
                    // Of those that are alike, any.
                    if (ties > 1 && roll(ties) > 0) continue;
                    of = seats;
                    one = s;
                    other = t;
                }
            }
        if (of == null) return false;
        int a = of.people[one];
        int b = of.people[other];
        exchange(of, one, other);
        cost += by;
        of.until[a][b] = of.until[b][a] = turn + 4 + roll(8);
        return true;
    }

    private void back(Seats seats) {
        count(seats, -1);
        System.arraycopy(seats.best, 0, seats.people, 0, seats.people.length);
        count(seats, 1);
    }

    /** Goes back to the best and exchanges a few at random from there. */
    private void shake(long best) {
        for (var seats : rounds) back(seats);
        cost = best;
        for (int i = 0; i < 3; i++) {
            var seats = rounds.get(roll(rounds.size()));
            int s = roll(seats.people.length);
            int t = roll(seats.people.length);
            if (seats.table[s] == seats.table[t]) continue;
            cost += change(seats, s, t);
            exchange(seats, s, t);
        }
    }

    /** Threes are shared out by exchanges that cost nothing else. */
    private void evenThrees() {
        boolean better = true;
        while (better) {
            better = false;
            for (var seats : rounds)
                for (int s = 0; s < seats.people.length; s++)
                    for (int t = s + 1; t < seats.people.length; t++) {
                        if (seats.size(seats.table[s]) == seats.size(seats.table[t])) continue;
                        if (change(seats, s, t) < 0) {
                            exchange(seats, s, t);
                            better = true;
                        }
                    }
        }
    }

    /** The tables of a round. */
    List<int[]> groups(int round) {
        var seats = rounds.get(round);
        var groups = new ArrayList<int[]>();
        for (int g = 0; g + 1 < seats.from.length; g++)
            groups.add(Arrays.copyOfRange(seats.people, seats.from[g], seats.from[g + 1]));
        return groups;
    }

    /** How many tables of a round break what is asked. */
    int unmet(int round) {
        var seats = rounds.get(round);
        int broken = 0;
        for (int g = 0; g + 1 < seats.from.length; g++) {
            boolean here = spared(seats.size(g), notClients(seats, g)) > 0;
            for (int a = seats.from[g]; a < seats.from[g + 1]; a++)
                for (int b = a + 1; b < seats.from[g + 1]; b++) here |= apart[seats.people[a]][seats.people[b]];
            if (here) broken++;
        }
        return broken;
    }
}
