package palmtally.core.practical;

import java.util.ArrayList;
import java.util.List;

/** Disjoint half-open stretches of time in milliseconds, ascending. */
record Intervals(List<Stretch> stretches) {
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
        return stretches.stream().anyMatch(s -> at >= s.start && at < s.end);
    }

    boolean covers(long start, long end) {
        return stretches.stream().anyMatch(s -> s.start <= start && s.end >= end);
    }

    /** What lies in both. */
    Intervals and(long start, long end) {
        var cut = new ArrayList<Stretch>();
        for (var s : stretches) {
            long a = Math.max(s.start, start);
            long b = Math.min(s.end, end);
            if (b > a) cut.add(new Stretch(a, b));
        }
        return new Intervals(cut);
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
