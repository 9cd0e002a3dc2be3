package palmtally.core.demonstration;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.Sums;

/**
 * How a practice round stands. Times are seconds on the clock of its marks.
 *
 * @param leg which one is on, −1 before the first, the number of legs after the last
 * @param startedAt when it began, moved on by the time it stood still
 * @param seconds of each leg, with what was added
 * @param endsAt when the last will be over as things stand; after the end, when it was
 */
public record RoundStanding(
        int leg, double startedAt, boolean paused, List<Double> seconds, double endsAt, boolean finished) {
    /** The longest a leg may become, seconds. */
    private static final double LONGEST = 14400;

    public RoundStanding {
        seconds = List.copyOf(seconds);
    }

    private static final class Clock {
        final double[] seconds;
        int leg = -1;
        double startedAt;
        double pausedAt = Double.NaN;

        Clock(Round round) {
            seconds = round.legs().stream().mapToDouble(Round.Leg::seconds).toArray();
        }

        boolean on() {
            return leg >= 0 && leg < seconds.length;
        }

        /** Legs whose time is over make room for the next. */
        void reach(double t) {
            double until = Double.isNaN(pausedAt) ? t : pausedAt;
            while (on() && until >= startedAt + seconds[leg]) startedAt += seconds[leg++];
        }

        void take(RoundMark mark) {
            double t = mark.atSeconds();
            reach(t);
            switch (mark.what()) {
                case STARTED -> {
                    leg = mark.leg();
                    startedAt = t;
                    pausedAt = Double.NaN;
                }
                case PAUSED -> {
                    if (on() && Double.isNaN(pausedAt)) pausedAt = t;
                }
                case RESUMED -> {
                    if (!Double.isNaN(pausedAt)) startedAt += t - pausedAt;
                    pausedAt = Double.NaN;
                }
                case LONGER -> {
                    if (on()) seconds[leg] = Math.max(0, Math.min(LONGEST, seconds[leg] + mark.seconds()));
                }
                case FINISHED -> {
                    leg = seconds.length;
                    startedAt = t;
                    pausedAt = Double.NaN;
                }
            }
        }
    }

    static RoundStanding of(Round round, List<RoundMark> marks, double now) {
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
            if (mark.what() == RoundMark.What.STARTED
                    && (mark.leg() < 0 || mark.leg() >= round.legs().size()))
                faults.add(new Fault("marks/" + i + "/leg", String.valueOf(mark.leg()), "is no part of the round"));
            if (mark.what() == RoundMark.What.LONGER && !(Math.abs(mark.seconds()) <= LONGEST))
                faults.add(new Fault(
                        "marks/" + i + "/seconds", String.valueOf(mark.seconds()), "must be −14400 to 14400"));
        }
        if (!(now >= last)) faults.add(new Fault("now", String.valueOf(now), "is before the last mark"));
        if (!faults.isEmpty()) throw new InvalidValue("round", faults);
        var clock = new Clock(round);
        for (var mark : marks) clock.take(mark);
        clock.reach(now);
        boolean paused = !Double.isNaN(clock.pausedAt) && clock.on();
        double since = clock.startedAt + (paused ? now - clock.pausedAt : 0);
        double left = Sums.of(Arrays.stream(clock.seconds, Math.max(0, clock.leg), clock.seconds.length));
        return new RoundStanding(
                clock.leg,
                since,
                paused,
                Arrays.stream(clock.seconds).boxed().toList(),
                clock.leg < 0 ? now + left : since + left,
                clock.leg >= clock.seconds.length);
    }
}
