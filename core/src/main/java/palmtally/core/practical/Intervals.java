package palmtally.core.practical;

import java.util.ArrayList;
import java.util.List;

/** Disjoint half-open stretches of time in milliseconds, ascending. */
record Intervals(List<Stretch> stretches) {
    static final Intervals NONE = new Intervals(List.of());

    /** From {@code start} until before {@code end}. */
    record Stretch(long start, long end) {
        long length() {
            return Math.max(0, end - start);
        }
    }

    Intervals {
        stretches = List.copyOf(stretches);
    }

    boolean isEmpty() {
        return stretches.isEmpty();
    }

    long length() {
        return stretches.stream().mapToLong(Stretch::length).sum();
    }

    boolean contains(long at) {
        int i = after(at);
        return i < stretches.size() && stretches.get(i).start <= at;
    }

    boolean covers(long start, long end) {
        int i = after(start);
        return i < stretches.size() && stretches.get(i).start <= start && stretches.get(i).end >= end;
    }

    /** What lies in both. */
    Intervals and(long start, long end) {
        var cut = new ArrayList<Stretch>();
        for (int i = after(start); i < stretches.size() && stretches.get(i).start < end; i++) {
            var s = stretches.get(i);
            long a = Math.max(s.start, start);
            long b = Math.min(s.end, end);
            if (b > a) cut.add(new Stretch(a, b));
        }
        return new Intervals(cut);
    }

    /** How much of it lies between two moments. */
    long length(long start, long end) {
        long sum = 0;
        for (int i = after(start); i < stretches.size() && stretches.get(i).start < end; i++)
            sum += Math.max(0, Math.min(stretches.get(i).end, end) - Math.max(stretches.get(i).start, start));
        return sum;
    }

    /** The same with every gap that is shorter than this closed. */
    Intervals bridging(long gap) {
        var joined = new ArrayList<Stretch>();
        for (var s : stretches) {
            int last = joined.size() - 1;
            if (last >= 0 && s.start - joined.get(last).end < gap)
                joined.set(last, new Stretch(joined.get(last).start, s.end));
            else joined.add(s);
        }
        return new Intervals(joined);
    }

    /** The first stretch that ends after a moment. */
    private int after(long at) {
        return Sorted.first(stretches, s -> s.end > at);
    }

    /** What lies here and not there. */
    Intervals less(Intervals other) {
        var left = new ArrayList<Stretch>();
        for (var s : stretches) {
            long clock = s.start;
            for (var o : other.and(s.start, s.end).stretches) {
                left.add(new Stretch(clock, o.start));
                clock = o.end;
            }
            left.add(new Stretch(clock, s.end));
        }
        return union(left);
    }

    /** The union of any stretches. */
    static Intervals union(List<Stretch> any) {
        var sorted = any.stream()
                .filter(s -> s.end > s.start)
                .sorted(java.util.Comparator.comparingLong(Stretch::start))
                .toList();
        var merged = new ArrayList<Stretch>();
        for (var s : sorted) {
            int last = merged.size() - 1;
            if (last >= 0 && merged.get(last).end >= s.start)
                merged.set(last, new Stretch(merged.get(last).start, Math.max(merged.get(last).end, s.end)));
            else merged.add(s);
        }
        return new Intervals(merged);
    }
}
