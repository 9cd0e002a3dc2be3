package palmtally.core.timetable;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * Who is where, when and with whom on a day of practicals.
 *
 * @param placed by id of the practical; one that is not there found no place
 */
public record Timetable(Map<String, Placed> placed) {
    public Timetable {
        placed = Map.copyOf(placed);
    }

    /** What is promised of a timetable. */
    public enum Promise {
        OPEN("inside the hours of the day and in no break"),
        TABLE("one practical at a table, with time to change it"),
        ONE_PLACE("nobody in two places"),
        CLIENT("a client who may be one for it"),
        DUTY("a grader whose region it is"),
        WATCHED("no grader with more tables at once than asked"),
        THERE("nobody asked who is away"),
        TWO_GRADERS("two graders where two are asked"),
        HELD("what was locked or has begun stays");

        private final String label;

        Promise(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    /** @param sitting id of the practical that breaks it */
    public record Broken(Promise promise, String sitting) {}

    /** Which promises are broken, by which practicals; nothing is said of those that found no place. */
    public List<Broken> broken(PracticalDay day) {
        var broken = new ArrayList<Broken>();
        var students = day.byStudent();
        var graders = day.byGrader();
        var spans = new TreeMap<String, Span>();
        for (var s : day.sittings()) {
            var p = placed.get(s.id());
            if (p != null) spans.put(s.id(), new Span(p.begins(), p.begins() + s.minutes()));
        }
        for (var s : day.sittings()) {
            var p = placed.get(s.id());
            if (s.held() != null && !s.held().equals(p)) broken.add(new Broken(Promise.HELD, s.id()));
            // What has begun is where it is, whatever may be promised of it.
            if (p == null || s.held() != null) continue;
            var span = spans.get(s.id());
            var therapist = students.get(s.student());
            var client = p.client() == null ? null : students.get(p.client());
            if (!day.open(p.begins(), s.minutes()) || p.table() < 1 || p.table() > day.tables())
                broken.add(new Broken(Promise.OPEN, s.id()));
            if (p.client() != null && (client == null || !PracticalDay.mayBeClient(client, therapist, s)))
                broken.add(new Broken(Promise.CLIENT, s.id()));
            for (var g : p.graders())
                if (!graders.containsKey(g) || !PracticalDay.mayGrade(graders.get(g), s))
                    broken.add(new Broken(Promise.DUTY, s.id()));
            if (p.graders().stream().distinct().count() < p.graders().size())
                broken.add(new Broken(Promise.TWO_GRADERS, s.id()));
            if (therapist.away().stream().anyMatch(span::meets)
                    || client != null && client.away().stream().anyMatch(span::meets)
                    || p.graders().stream()
                            .map(graders::get)
                            .anyMatch(g -> g != null && g.away().stream().anyMatch(span::meets)))
                broken.add(new Broken(Promise.THERE, s.id()));
            boolean table = false;
            boolean twice = false;
            Map<String, Integer> watching = new HashMap<>();
            for (var o : day.sittings()) {
                var q = placed.get(o.id());
                if (q == null || o.id().equals(s.id())) continue;
                var other = spans.get(o.id());
                int apart = Math.max(other.from() - span.until(), span.from() - other.until());
                if (q.table() == p.table() && apart < day.changeOver()) table = true;
                if (!span.meets(other)) continue;
                if (shares(s, p, o, q)) twice = true;
                // How many are watched when this one begins.
                if (other.from() <= span.from() && other.until() > span.from())
                    for (var g : q.graders()) watching.merge(g, 1, Integer::sum);
            }
            if (table) broken.add(new Broken(Promise.TABLE, s.id()));
            if (twice) broken.add(new Broken(Promise.ONE_PLACE, s.id()));
            if (p.graders().stream().anyMatch(g -> watching.getOrDefault(g, 0) + 1 > day.tablesAGrader()))
                broken.add(new Broken(Promise.WATCHED, s.id()));
        }
        return List.copyOf(broken);
    }

    /** Whether two practicals need one student both. */
    private static boolean shares(Sitting s, Placed p, Sitting o, Placed q) {
        return s.student().equals(o.student())
                || s.student().equals(q.client())
                || p.client() != null
                        && (p.client().equals(o.student()) || p.client().equals(q.client()));
    }
}
