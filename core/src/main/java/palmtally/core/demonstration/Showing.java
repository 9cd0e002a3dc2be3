package palmtally.core.demonstration;

import java.util.ArrayList;
import java.util.List;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.finding.Spoken;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Sequence;
import palmtally.core.sequence.Stint;
import palmtally.core.sequence.Timeline;
import palmtally.core.technique.Dose;

/**
 * A sequence as it is demonstrated: the plan clock runs on class doses, the real clock on what was marked.
 *
 * @param timeline plan clock, seconds
 */
public record Showing(Timeline timeline) {
    /** Below this share of the client dose the class is told the real one. */
    public static final double TOKEN_SHARE = 0.5;

    /** Drift that is not worth a word, seconds. */
    public static final double ON_TIME = 10;

    /** What the presenter did with a stint. */
    public enum What {
        STARTED,
        SKIPPED,
        FINISHED;

        @Override
        public String toString() {
            return name().toLowerCase();
        }
    }

    /**
     * One entry of the log of a demonstration.
     *
     * @param index which stint, as in {@link #timeline()}; of {@code FINISHED} the one that was on
     * @param atSeconds since the start, not before the entry in front of it
     */
    public record Mark(What what, int index, double atSeconds) {}

    /**
     * How it stands.
     *
     * @param current index of the stint that is on, or −1 before the first and after the end
     * @param startedAt real second at which it began
     * @param allowedSeconds class dose of it, with its transitions
     * @param driftSeconds real clock less plan clock now; positive is late
     * @param driftFrom real second from which drift grows by one a second unless the next step begins
     * @param words drift in plain words
     * @param shownSeconds real seconds each stint was shown, 0 where it was not
     * @param leftOut indices that were passed over
     */
    public record Progress(
            int current,
            double startedAt,
            double allowedSeconds,
            double driftSeconds,
            double driftFrom,
            String words,
            List<Double> shownSeconds,
            List<Integer> leftOut,
            boolean finished) {}

    public static Showing of(Sequence sequence, Profile profile) {
        var stints = Stint.of(sequence).stream()
                .map(s -> new Stint(
                        s.step(), s.side(), s.second(), Dose.seconds(s.step().shownInClass()), s.block(), s.index()))
                .toList();
        return new Showing(Timeline.of(stints, profile));
    }

    /** Whether the class sees less than half of what a client needs. */
    public static boolean token(Stint stint) {
        return stint.step().shownInClass() < TOKEN_SHARE * stint.step().dose().totalSeconds();
    }

    /**
     * @param marks in the order they were made
     * @param now real second, not before the last mark
     * @throws InvalidValue naming each mark that runs backwards or points outside the plan
     */
    public Progress progress(List<Mark> marks, double now) {
        var spans = timeline.spans();
        var faults = new ArrayList<Fault>();
        double last = 0;
        for (int i = 0; i < marks.size(); i++) {
            var mark = marks.get(i);
            if (!(mark.atSeconds() >= last))
                faults.add(new Fault(
                        "marks/" + i + "/atSeconds",
                        String.valueOf(mark.atSeconds()),
                        "is before the mark in front of it"));
            else last = mark.atSeconds();
            if (mark.index() < 0 || mark.index() >= spans.size())
                faults.add(new Fault("marks/" + i + "/index", String.valueOf(mark.index()), "is no step of the plan"));
        }
        if (!(now >= last)) faults.add(new Fault("now", String.valueOf(now), "is before the last mark"));
        if (!faults.isEmpty()) throw new InvalidValue("demonstration", faults);

        var shown = new double[spans.size()];
        int current = -1;
        double startedAt = 0;
        boolean finished = false;
        int furthest = -1;
        for (var mark : marks) {
            if (current >= 0) shown[current] += mark.atSeconds() - startedAt;
            finished = mark.what() == What.FINISHED;
            current = mark.what() == What.STARTED ? mark.index() : -1;
            startedAt = mark.atSeconds();
            furthest = Math.max(furthest, mark.index());
        }
        double allowed = 0;
        double drift;
        double driftFrom;
        if (current >= 0) {
            shown[current] += now - startedAt;
            var span = spans.get(current);
            allowed = span.end() - span.begin();
            driftFrom = startedAt + allowed;
            drift = startedAt - span.begin() + Math.max(0, now - driftFrom);
        } else if (furthest >= 0) {
            drift = startedAt - spans.get(furthest).end();
            driftFrom = finished ? Double.POSITIVE_INFINITY : startedAt;
        } else {
            drift = 0;
            driftFrom = now;
        }
        var leftOut = new ArrayList<Integer>();
        int upTo = finished ? spans.size() - 1 : furthest;
        for (int i = 0; i <= upTo; i++) if (shown[i] == 0 && i != current) leftOut.add(i);
        var list = new ArrayList<Double>();
        for (double s : shown) list.add(s);
        return new Progress(
                current,
                startedAt,
                allowed,
                drift,
                driftFrom,
                words(drift),
                List.copyOf(list),
                List.copyOf(leftOut),
                finished);
    }

    /** Drift in plain words. */
    public static String words(double driftSeconds) {
        if (Math.abs(driftSeconds) < ON_TIME) return "on time";
        return driftSeconds > 0
                ? "running " + Spoken.mmss(driftSeconds) + " over"
                : Spoken.mmss(-driftSeconds) + " ahead";
    }
}
