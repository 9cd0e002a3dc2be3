package palmtally.core.demonstration;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.finding.Spoken;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Step;
import palmtally.core.sequence.Stint;
import palmtally.core.sequence.Timeline;
import palmtally.core.technique.Dose;

/**
 * A sequence as it is demonstrated: the plan clock runs on class doses, the real clock on what was marked.
 *
 * @param slotSeconds what the demonstration has, counted from its first stint, above 0 and at most 14400
 * @param endsBy when it must be over whenever it began, on the clock of its marks, or null where nobody waits for the room
 * @param timeline plan clock, seconds
 */
public record Showing(
        Sequence sequence,
        Profile profile,
        double slotSeconds,
        @Nullable Double endsBy,
        Timeline timeline) {
    /** Below this share of the client dose the class is told the real one. */
    public static final double TOKEN_SHARE = 0.5;

    /** Drift that is not worth a word, seconds. */
    public static final double ON_TIME = 10;

    public static Showing of(Sequence sequence, Profile profile) {
        return of(sequence, profile, sequence.slotSeconds());
    }

    public static Showing of(Sequence sequence, Profile profile, double slotSeconds) {
        if (!(slotSeconds > 0 && slotSeconds <= 14400))
            throw new InvalidValue(
                    "demonstration",
                    new Fault("slotSeconds", String.valueOf(slotSeconds), "must be above 0 and at most 14400"));
        var stints = Stint.of(sequence).stream()
                .map(s -> new Stint(
                        s.step(), s.side(), s.second(), Dose.seconds(s.step().shownInClass()), s.block(), s.index()))
                .toList();
        return new Showing(sequence, profile, slotSeconds, null, Timeline.of(stints, profile));
    }

    /** The same where something else begins at a time by the clock. */
    public Showing endingBy(@Nullable Double second) {
        return new Showing(sequence, profile, slotSeconds, second, timeline);
    }

    /**
     * Minutes that stints need to be shown on another day, each step whole, rounded up to 5.
     *
     * @param stints indices, at least one
     */
    public double minutesOf(Collection<Integer> stints) {
        var wanted = stepsOf(stints);
        var others = sequence.steps().stream()
                .map(Step::id)
                .filter(id -> !wanted.contains(id))
                .collect(Collectors.toSet());
        var part = of(others.isEmpty() ? sequence : sequence.without(others), profile, slotSeconds);
        return 5 * Math.max(1, Math.ceil(part.timeline.totalSeconds() / 300 - 1e-9));
    }

    /** Steps that stints are of, in planned order. */
    public List<String> stepsOf(Collection<Integer> stints) {
        return stints.stream()
                .sorted()
                .map(i -> timeline.spans().get(i).stint().step().id())
                .distinct()
                .toList();
    }

    /** Whether the class sees less than half of what a client needs. */
    public static boolean token(Stint stint) {
        return token(stint, stint.step().shownInClass());
    }

    /** @param seconds what the class sees of it */
    public static boolean token(Stint stint, double seconds) {
        return seconds < TOKEN_SHARE * stint.step().dose().totalSeconds();
    }

    /**
     * @param marks in the order they were made
     * @param now real second, not before the last mark
     * @throws InvalidValue naming each mark that runs backwards, points outside the plan, or re-fits it with too few or impossible times
     */
    public Progress progress(List<Mark> marks, double now) {
        return course(marks, now).at(now);
    }

    /** How what is left fits into the time that is left; see {@link Refit}. */
    public Refit refit(List<Mark> marks, double now) {
        return Refit.of(this, marks, now);
    }

    Course course(List<Mark> marks, double now) {
        var faults = new ArrayList<Fault>();
        int n = timeline.spans().size();
        double last = 0;
        for (int i = 0; i < marks.size(); i++) {
            var mark = marks.get(i);
            var field = "marks/" + i;
            if (!(mark.atSeconds() >= last))
                faults.add(new Fault(
                        field + "/atSeconds", String.valueOf(mark.atSeconds()), "is before the mark in front of it"));
            else last = mark.atSeconds();
            if (mark.index() < 0 || mark.index() >= n)
                faults.add(new Fault(field + "/index", String.valueOf(mark.index()), "is no step of the plan"));
            var seconds = mark.seconds();
            if (mark.what() == Mark.What.REFITTED
                    && (seconds == null
                            || seconds.size() != n
                            || seconds.stream().anyMatch(s -> !(s >= 0 && s <= Dose.MOST_SECONDS))))
                faults.add(new Fault(
                        field + "/seconds", String.valueOf(seconds), "must be " + n + " times from 0 to 3600 seconds"));
        }
        if (!(now >= last)) faults.add(new Fault("now", String.valueOf(now), "is before the last mark"));
        if (!faults.isEmpty()) throw new InvalidValue("demonstration", faults);
        var course = new Course(this);
        for (var mark : marks) course.take(mark);
        return course;
    }

    /** Drift in plain words. */
    public static String words(double driftSeconds) {
        if (Math.abs(driftSeconds) < ON_TIME) return "on time";
        return driftSeconds > 0
                ? "running " + Spoken.mmss(driftSeconds) + " over"
                : Spoken.mmss(-driftSeconds) + " ahead";
    }

    /** What drift comes to in the end. */
    static String took(double driftSeconds) {
        if (Math.abs(driftSeconds) < ON_TIME) return "as long as planned";
        return Spoken.mmss(Math.abs(driftSeconds)) + (driftSeconds > 0 ? " longer" : " shorter") + " than planned";
    }
}
