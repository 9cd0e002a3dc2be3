package palmtally.solver;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.jspecify.annotations.Nullable;
import palmtally.core.timetable.DayGrader;
import palmtally.core.timetable.DayStudent;
import palmtally.core.timetable.Placed;
import palmtally.core.timetable.PracticalDay;
import palmtally.core.timetable.Sitting;
import palmtally.core.timetable.Span;
import palmtally.core.timetable.Timetable;

/**
 * A timetable to begin with: what has its place keeps it as far as it can, the others take the first that fits, those with the fewest
 * ways first. It keeps every promise and may leave some out.
 */
final class FirstFit {
    private static final int MOST_TRIES = 300;
    private static final int LOOKS = 6000;

    private final PracticalDay day;
    private final Map<String, DayStudent> students;
    private final Map<String, Placed> placed = new HashMap<>();
    private final Map<String, Integer> asked = new HashMap<>();
    private final Map<String, Integer> graded = new HashMap<>();

    private FirstFit(PracticalDay day) {
        this.day = day;
        students = day.byStudent();
    }

    static Timetable of(PracticalDay day, Timetable before) {
        var dice = new Random(11);
        FirstFit best = null;
        int tries = Math.min(MOST_TRIES, 1 + LOOKS / Math.max(1, day.sittings().size()));
        for (int i = 0; i < tries && (best == null || best.lacking() > 0); i++) {
            var fit = new FirstFit(day);
            fit.fill(before, i == 0 ? null : dice);
            if (best == null || fit.lacking() < best.lacking()) best = fit;
        }
        return new Timetable(java.util.Objects.requireNonNull(best).placed);
    }

    /** @param dice the order of those that are open, or null for those with the fewest ways first */
    private void fill(Timetable before, @Nullable Random dice) {
        for (var s : day.sittings()) if (s.held() != null) put(s, s.held());
        var open = new ArrayList<Sitting>();
        for (var s : day.sittings()) if (s.held() == null) open.add(s);
        // What was placed first: it is only put elsewhere where it cannot stay.
        for (var s : List.copyOf(open)) {
            var was = before.placed().get(s.id());
            if (was != null && again(s, was)) open.remove(s);
        }
        open.sort(Comparator.comparingLong(this::ways).thenComparing(s -> -s.minutes()));
        if (dice != null) Collections.shuffle(open, dice);
        var left = new ArrayList<Sitting>();
        for (var s : open) if (!place(s, true)) left.add(s);
        for (var s : left) place(s, false);
    }

    /** What is lacking, as the solver weighs it. */
    private int lacking() {
        int lacking = 0;
        for (var s : day.sittings()) {
            var p = placed.get(s.id());
            if (s.held() != null) continue;
            if (p == null) lacking += DayConstraints.NO_PLACE;
            else {
                if (p.client() == null) lacking += DayConstraints.NO_CLIENT;
                if (p.graders().isEmpty()) lacking += DayConstraints.NO_GRADER;
                if (s.twice() && p.graders().size() < 2) lacking += DayConstraints.NO_SECOND;
            }
        }
        return lacking;
    }

    private void put(Sitting s, Placed at) {
        placed.put(s.id(), at);
        if (at.client() != null) asked.merge(at.client(), 1, Integer::sum);
        for (var g : at.graders()) graded.merge(g, 1, Integer::sum);
    }

    private long ways(Sitting s) {
        long clients = day.students().stream()
                .filter(c -> PracticalDay.mayBeClient(c, student(s), s))
                .count();
        long graders =
                day.graders().stream().filter(g -> PracticalDay.mayGrade(g, s)).count();
        return clients * graders;
    }

    private DayStudent student(Sitting s) {
        return java.util.Objects.requireNonNull(students.get(s.student()));
    }

    /** Where it was, with another grader or client where those cannot be. */
    private boolean again(Sitting s, Placed was) {
        var span = new Span(was.begins(), was.begins() + s.minutes());
        if (!day.starts().contains(was.begins()) || !fits(s, span) || !free(was.table(), span)) return false;
        var client = was.client() != null && canBeClient(was.client(), s, span) ? was.client() : client(s, span);
        var graders = new ArrayList<String>();
        for (var id : was.graders()) {
            var g = day.byGrader().get(id);
            if (g != null && canGrade(g, s, span)) graders.add(id);
        }
        fill(graders, s, span);
        if (client == null || graders.size() < (s.twice() ? 2 : 1)) return false;
        put(s, new Placed(was.begins(), was.table(), graders, client));
        return true;
    }

    /** @param whole whether it must have its client and graders */
    private boolean place(Sitting s, boolean whole) {
        for (int begins : day.starts()) {
            var span = new Span(begins, begins + s.minutes());
            if (!fits(s, span)) continue;
            int table = 1;
            while (table <= day.tables() && !free(table, span)) table++;
            if (table > day.tables()) continue;
            var client = client(s, span);
            var graders = new ArrayList<String>();
            fill(graders, s, span);
            if (whole && (client == null || graders.size() < (s.twice() ? 2 : 1))) continue;
            put(s, new Placed(begins, table, graders, client));
            return true;
        }
        return false;
    }

    private boolean fits(Sitting s, Span span) {
        return day.open(span.from(), s.minutes())
                && student(s).away().stream().noneMatch(span::meets)
                && !busy(s.student(), span);
    }

    private boolean busy(String student, Span span) {
        for (var o : day.sittings()) {
            var q = placed.get(o.id());
            if (q == null || !span.meets(new Span(q.begins(), q.begins() + o.minutes()))) continue;
            if (o.student().equals(student) || student.equals(q.client())) return true;
        }
        return false;
    }

    private boolean free(int table, Span span) {
        for (var o : day.sittings()) {
            var q = placed.get(o.id());
            if (q == null || q.table() != table) continue;
            int apart = Math.max(q.begins() - span.until(), span.from() - q.begins() - o.minutes());
            if (apart < day.changeOver()) return false;
        }
        return table >= 1 && table <= day.tables();
    }

    private boolean canBeClient(String id, Sitting s, Span span) {
        var c = students.get(id);
        return c != null
                && PracticalDay.mayBeClient(c, student(s), s)
                && c.away().stream().noneMatch(span::meets)
                && !busy(id, span);
    }

    private @Nullable String client(Sitting s, Span span) {
        return day.students().stream()
                .map(DayStudent::id)
                .filter(id -> canBeClient(id, s, span))
                .min(Comparator.comparingInt(id -> asked.getOrDefault(id, 0)))
                .orElse(null);
    }

    private boolean canGrade(DayGrader g, Sitting s, Span span) {
        if (!PracticalDay.mayGrade(g, s) || g.away().stream().anyMatch(span::meets)) return false;
        int watched = 0;
        for (var o : day.sittings()) {
            var q = placed.get(o.id());
            if (q != null && q.graders().contains(g.id()) && span.meets(new Span(q.begins(), q.begins() + o.minutes())))
                watched++;
        }
        return watched < day.tablesAGrader();
    }

    /** Whoever has graded least first. */
    private void fill(List<String> graders, Sitting s, Span span) {
        var byWork = new ArrayList<>(day.graders());
        byWork.sort(Comparator.comparingInt(g -> graded.getOrDefault(g.id(), 0)));
        for (var g : byWork)
            if (graders.size() < (s.twice() ? 2 : 1) && !graders.contains(g.id()) && canGrade(g, s, span))
                graders.add(g.id());
    }
}
