package palmtally.core.timetable;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * A practical that did not get all it asks for, and the least change of the day that would give it. Who is not to be at a table with
 * whom, and whose body is spared what, is no change that is ever proposed or named.
 *
 * @param sitting id of the practical
 * @param what it lacks
 * @param change the least that would do, all of it together; empty where no change of the day would
 * @param sentence what is lacking and what would do, with names
 */
public record Lacking(String sitting, What what, Set<Change> change, String sentence) {
    /** What a practical can lack. */
    public enum What {
        PLACE("no time and table"),
        CLIENT("no client"),
        GRADER("no grader"),
        SECOND_GRADER("no second grader");

        private final String label;

        What(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    /** What can be changed of a day, the least first. */
    public enum Change {
        MORE_AT_ONCE,
        DUTY,
        AGREED,
        LAST_PARTNER,
        LATER,
        TABLE,
        UNLOCK
    }

    /** One way to hold it with what it would take. */
    private record Way(
            int begins,
            int table,
            @Nullable String grader,
            @Nullable String client,
            Set<Change> takes) {
        int cost() {
            int cost = 0;
            for (var c : takes) cost += 10 + c.ordinal();
            return cost;
        }
    }

    /** What a timetable lacks, in the order of the practicals. */
    public static List<Lacking> of(PracticalDay day, Timetable timetable) {
        var lacking = new ArrayList<Lacking>();
        for (var s : day.sittings()) {
            if (s.held() != null) continue;
            var p = timetable.placed().get(s.id());
            if (p == null) lacking.add(of(day, timetable, s, What.PLACE));
            else if (p.client() == null) lacking.add(of(day, timetable, s, What.CLIENT));
            else if (p.graders().isEmpty()) lacking.add(of(day, timetable, s, What.GRADER));
            else if (s.twice() && p.graders().size() < 2) lacking.add(of(day, timetable, s, What.SECOND_GRADER));
        }
        return List.copyOf(lacking);
    }

    private static Lacking of(PracticalDay day, Timetable timetable, Sitting s, What what) {
        var best = ways(day, timetable, s).stream()
                .min(Comparator.comparingInt(Way::cost)
                        .thenComparingInt(Way::begins)
                        .thenComparingInt(Way::table));
        var name = day.byStudent().get(s.student()).name();
        var of = name + ", " + s.region().label().toLowerCase(java.util.Locale.ROOT);
        if (best.isEmpty() || best.get().takes.isEmpty() && what == What.SECOND_GRADER)
            return new Lacking(
                    s.id(),
                    what,
                    Set.of(),
                    of + ": " + what.label + ". Hold it on another day, or bring a "
                            + (what == What.CLIENT || what == What.PLACE ? "client" : "grader") + " from outside.");
        var way = best.get();
        return new Lacking(s.id(), what, Set.copyOf(way.takes), of + ": " + what.label + ". " + words(day, s, way));
    }

    private static String words(PracticalDay day, Sitting s, Way way) {
        var at = "It fits at " + Span.clock(way.begins) + ", table " + way.table;
        if (way.takes.isEmpty()) return at + ": find the timetable again, or put it there.";
        var said = new ArrayList<String>();
        for (var c : new java.util.TreeSet<>(way.takes))
            said.add(
                    switch (c) {
                        case MORE_AT_ONCE -> grader(day, way) + " watches one table more at once";
                        case DUTY -> grader(day, way) + " may grade this region too";
                        case AGREED -> "one student more agrees to be its client";
                        case LAST_PARTNER -> "the client of last time may be it again";
                        case LATER -> "the day ends at " + Span.clock(way.begins + s.minutes());
                        case TABLE -> "there is one table more";
                        case UNLOCK -> "one that is locked at that time may move";
                    });
        return at + ", if " + String.join(" and ", said) + ".";
    }

    private static String grader(PracticalDay day, Way way) {
        var g = way.grader == null ? null : day.byGrader().get(way.grader);
        return g == null ? "a grader" : g.name();
    }

    /** Every way to hold a practical beside what is placed: at each start, table, with each grader and client. */
    private static List<Way> ways(PracticalDay day, Timetable timetable, Sitting s) {
        var ways = new ArrayList<Way>();
        var starts = new ArrayList<>(day.starts());
        if (!starts.isEmpty()) starts.add(starts.get(starts.size() - 1) + day.minutes() + day.changeOver());
        var therapist = day.byStudent().get(s.student());
        for (int begins : starts) {
            if (begins + s.minutes() > 1440) continue;
            var span = new Span(begins, begins + s.minutes());
            if (day.breaks().stream().anyMatch(span::meets)) continue;
            if (therapist.away().stream().anyMatch(span::meets)) continue;
            boolean late = !day.open(begins, s.minutes());
            var busy = busy(day, timetable, s, span);
            if (busy.contains(s.student())) continue;
            var grader = grader(day, timetable, s, span);
            var client = client(day, s, therapist, span, busy);
            if (grader == null || client == null) continue;
            var takes = EnumSet.noneOf(Change.class);
            if (late) takes.add(Change.LATER);
            takes.addAll(grader.takes);
            takes.addAll(client.takes);
            int table = table(day, timetable, s, span);
            if (table > day.tables()) takes.add(Change.TABLE);
            ways.add(new Way(begins, table, grader.id, client.id, takes));
        }
        return ways;
    }

    private record Found(String id, Set<Change> takes) {}

    private static Set<String> busy(PracticalDay day, Timetable timetable, Sitting s, Span span) {
        var busy = new java.util.HashSet<String>();
        for (var o : day.sittings()) {
            var q = timetable.placed().get(o.id());
            if (q == null || o.id().equals(s.id())) continue;
            if (!span.meets(new Span(q.begins(), q.begins() + o.minutes()))) continue;
            busy.add(o.student());
            if (q.client() != null) busy.add(q.client());
        }
        return busy;
    }

    private static int table(PracticalDay day, Timetable timetable, Sitting s, Span span) {
        for (int table = 1; table <= day.tables(); table++) {
            int t = table;
            boolean free = day.sittings().stream().noneMatch(o -> {
                var q = timetable.placed().get(o.id());
                if (q == null || o.id().equals(s.id()) || q.table() != t) return false;
                int apart = Math.max(q.begins() - span.until(), span.from() - q.begins() - o.minutes());
                return apart < day.changeOver();
            });
            if (free) return table;
        }
        return day.tables() + 1;
    }

    private static @Nullable Found grader(PracticalDay day, Timetable timetable, Sitting s, Span span) {
        Map<String, Integer> most = new HashMap<>();
        for (int minute = span.from(); minute < span.until(); minute++) {
            Map<String, Integer> now = new HashMap<>();
            for (var o : day.sittings()) {
                var q = timetable.placed().get(o.id());
                if (q == null || o.id().equals(s.id())) continue;
                if (minute >= q.begins() && minute < q.begins() + o.minutes())
                    for (var g : q.graders()) now.merge(g, 1, Integer::sum);
            }
            now.forEach((g, n) -> most.merge(g, n, Math::max));
        }
        return day.graders().stream()
                .filter(g -> g.away().stream().noneMatch(span::meets))
                .map(g -> {
                    var takes = EnumSet.noneOf(Change.class);
                    if (!PracticalDay.mayGrade(g, s)) takes.add(Change.DUTY);
                    if (most.getOrDefault(g.id(), 0) >= day.tablesAGrader()) takes.add(Change.MORE_AT_ONCE);
                    return new Found(g.id(), takes);
                })
                .min(Comparator.comparingInt(
                        f -> f.takes.stream().mapToInt(c -> 10 + c.ordinal()).sum()))
                .orElse(null);
    }

    private static @Nullable Found client(
            PracticalDay day, Sitting s, DayStudent therapist, Span span, Set<String> busy) {
        var found = new EnumMap<Change, Found>(Change.class);
        Found free = null;
        for (var c : day.students()) {
            if (c.id().equals(therapist.id()) || busy.contains(c.id())) continue;
            if (c.not().contains(therapist.id()) || therapist.not().contains(c.id())) continue;
            if (c.spared().contains(s.region()) || c.away().stream().anyMatch(span::meets)) continue;
            boolean agreed = !s.sensitive() || c.agreed().contains(s.region());
            boolean last = c.id().equals(therapist.last());
            if (agreed && !last) free = free == null ? new Found(c.id(), Set.of()) : free;
            else if (!agreed && !last) found.putIfAbsent(Change.AGREED, new Found(c.id(), Set.of(Change.AGREED)));
            else if (agreed) found.putIfAbsent(Change.LAST_PARTNER, new Found(c.id(), Set.of(Change.LAST_PARTNER)));
        }
        if (free != null) return free;
        return found.values().stream().findFirst().orElse(null);
    }

    /** The sentences, one after another. */
    public static String sentences(List<Lacking> all) {
        return all.stream().map(Lacking::sentence).collect(Collectors.joining(" "));
    }
}
