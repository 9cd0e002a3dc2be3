package palmtally.core.demonstration;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import palmtally.core.body.Side;
import palmtally.core.finding.Spoken;
import palmtally.core.sequence.Block;
import palmtally.core.sequence.Importance;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Sides;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Stint;
import palmtally.core.sequence.Timeline;
import palmtally.core.sequence.fit.Fit;
import palmtally.core.technique.Dose;

/**
 * What is left of a demonstration, fitted to the time that is left by the same search as a plan is fitted to its slot ({@link Fit}):
 * nothing that must be shown is dropped, no stop and no broken prerequisite is added, what is worth most is kept. A class dose may
 * shrink to half of it, not below five seconds (common practice, no source). Each side of a step is looked at for itself.
 *
 * @param found whether all that must be shown can be
 * @param needed whether the slot is overrun by more than {@link Showing#ON_TIME} as things stand
 * @param changes what becomes shorter or is dropped, in the order it would have come
 * @param seconds what each stint of the plan is shown for then, 0 for dropped: the {@link Mark#seconds()} of taking it
 * @param endsAt when it all ends then, on the clock of the marks
 * @param missingSeconds what is lacking even so, 0 where it was found
 * @param words the offer in plain words
 */
public record Refit(
        boolean found,
        boolean needed,
        List<Change> changes,
        List<Double> seconds,
        double endsAt,
        double missingSeconds,
        String words) {
    /** Share of a class dose that is still worth showing. */
    public static final double LEAST_SHARE = 0.5;

    /** Least that is shown of anything, seconds. */
    public static final double LEAST_SECONDS = 5;

    /** The end may be this much past the slot, seconds. */
    private static final double CLOSE = 1;

    private static final int MOST_TRIES = 4;

    /** @param after 0 where it is dropped */
    public record Change(int index, double before, double after) {}

    static Refit of(Showing showing, List<Mark> marks, double now) {
        var course = showing.course(marks, now);
        double slotEnd = course.slotEndsAt(now);
        double endsNow = course.endsAt(now);
        double[] as = course.seconds.clone();
        boolean needed = !course.finished && endsNow - slotEnd > Showing.ON_TIME;
        if (!needed) return new Refit(true, false, List.of(), boxed(as), endsNow, 0, "ends on time as it is");
        var ahead = List.copyOf(course.ahead());
        if (ahead.isEmpty())
            return new Refit(
                    false, true, List.of(), boxed(as), endsNow, endsNow - slotEnd, "nothing is left to shorten");

        var rest = rest(showing, course, ahead, now);
        double planned = Timeline.of(rest, showing.profile()).totalSeconds();
        // The rest by itself pays again for sheet and lubricant that the course has paid for; what it costs more is
        // given to it.
        double budget = slotEnd - now + planned - (endsNow - now);
        double[] best = null;
        double bestEnd = 0;
        double missing = endsNow - slotEnd;
        for (int i = 0; i < MOST_TRIES && budget > 0; i++) {
            var fit = Fit.to(rest, showing.profile(), Math.min(budget, 14400));
            if (!fit.found()) {
                if (best == null) missing = fit.missingSeconds();
                break;
            }
            double[] tried = seconds(course, ahead, fit.sequence());
            double end = endsAt(showing, marks, now, tried);
            double gap = slotEnd - end;
            if (gap >= -CLOSE && (best == null || end > bestEnd)) {
                best = tried;
                bestEnd = end;
            }
            if (best != null && gap < LEAST_SECONDS) break;
            budget += gap;
        }
        if (best == null)
            return new Refit(
                    false,
                    true,
                    List.of(),
                    boxed(as),
                    endsNow,
                    Math.max(missing, 1),
                    "cannot end on time: " + Spoken.mmss(Math.max(missing, 1))
                            + " too long even when all that may go is gone");
        var changes = new ArrayList<Change>();
        for (int i : ahead) if (best[i] < as[i] - 1e-9) changes.add(new Change(i, as[i], best[i]));
        return new Refit(true, true, changes, boxed(best), bestEnd, 0, words(showing, changes));
    }

    private static double endsAt(Showing showing, List<Mark> marks, double now, double[] seconds) {
        var after = new ArrayList<>(marks);
        after.add(new Mark(Mark.What.REFITTED, 0, now, null, boxed(seconds)));
        return showing.course(after, now).endsAt(now);
    }

    private static String name(int index) {
        return "s" + index;
    }

    /** What is left as a sequence of its own: the stint that is on with what it has left, then each to come, one side at a time. */
    private static Sequence rest(Showing showing, Course course, List<Integer> ahead, double now) {
        var steps = new ArrayList<Step>();
        if (course.current >= 0) {
            double left = Math.max(1, course.since(now) + course.allowed() - now);
            steps.add(one(course, course.current, left, left, Set.of()).with(e -> {
                e.importance = Importance.MUST;
                e.say = new ArrayList<>();
            }));
        }
        var places = new HashMap<Stint.Key, Integer>();
        for (int i : ahead) places.put(course.stints.get(i).key(), i);
        for (int i : ahead) {
            double dose = course.seconds[i];
            steps.add(one(
                    course,
                    i,
                    dose,
                    Math.min(dose, Math.max(LEAST_SECONDS, LEAST_SHARE * dose)),
                    links(course.stints.get(i), places)));
        }
        var s = showing.sequence();
        var block = new Block("rest", "What is left", Block.Order.IN_ORDER, Block.Repeat.ONCE, steps);
        return new Sequence(
                s.id(),
                s.name(),
                s.region(),
                s.slotSeconds(),
                s.firstSide(),
                "",
                s.table(),
                s.forWhom(),
                List.of(block));
    }

    /** What of the before links of a step is still to come, on the same side or on none. */
    private static Set<String> links(Stint stint, Map<Stint.Key, Integer> places) {
        var links = new HashSet<String>();
        for (var then : stint.step().before())
            for (var side : Side.values()) {
                var place = places.get(new Stint.Key(then, side));
                if (place != null
                        && (side == stint.side()
                                || side == Side.MIDLINE
                                || side == Side.BOTH
                                || stint.side() == Side.MIDLINE
                                || stint.side() == Side.BOTH)) links.add(name(place));
            }
        return links;
    }

    private static Step one(Course course, int i, double dose, double least, Set<String> before) {
        var stint = course.stints.get(i);
        return stint.step().with(e -> {
            e.id = name(i);
            e.side = Sides.valueOf(stint.side().name());
            e.dose = Dose.seconds(dose);
            e.secondSide = null;
            e.classSeconds = null;
            e.minimumSeconds = least;
            e.targetSeconds = dose;
            e.before = new ArrayList<>(before);
        });
    }

    private static double[] seconds(Course course, List<Integer> ahead, Sequence fitted) {
        var kept = fitted.blocks().stream()
                .flatMap(b -> b.steps().stream())
                .collect(Collectors.toMap(Step::id, s -> s.dose().totalSeconds()));
        double[] seconds = course.seconds.clone();
        for (int i : ahead) seconds[i] = kept.getOrDefault(name(i), 0.0);
        return seconds;
    }

    private static String words(Showing showing, List<Change> changes) {
        var shortened = changes.stream().filter(c -> c.after > 0).toList();
        var dropped = changes.stream().filter(c -> c.after == 0).toList();
        var parts = new ArrayList<String>();
        if (!shortened.isEmpty()) parts.add("shorten " + steps(showing, shortened));
        if (!dropped.isEmpty()) parts.add("drop " + steps(showing, dropped));
        return String.join(", ", parts) + ": ends on time";
    }

    /** Steps by their numbers, with the side where a step has two; many are counted. */
    private static String steps(Showing showing, List<Change> changes) {
        if (changes.size() > 4) return changes.size() + " steps";
        var ids = showing.sequence().blocks().stream()
                .flatMap(b -> b.steps().stream())
                .map(Step::id)
                .toList();
        var names = changes.stream()
                .map(c -> showing.timeline().spans().get(c.index).stint())
                .map(s -> ids.indexOf(s.step().id()) + 1 + (s.step().side() == Sides.EACH ? " " + s.side() : ""))
                .toList();
        if (names.size() == 1) return names.get(0);
        return String.join(", ", names.subList(0, names.size() - 1)) + " and " + names.get(names.size() - 1);
    }

    private static List<Double> boxed(double[] values) {
        return Arrays.stream(values).boxed().toList();
    }
}
