package palmtally.core.technique;

import java.util.ArrayList;
import java.util.List;
import org.hipparchus.util.FastMath;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.Texts;

/**
 * How much of a technique. Which fields count depends on the kind: seconds alone; count passes of seconds each; count holds of
 * seconds each (one hold a station); count cycles at perSecond; count breaths of seconds each (default 10); until it softens, at
 * most seconds.
 *
 * @param kind how it is measured
 * @param seconds length of the whole, of one pass, hold or breath, or the cap; null where the kind needs none
 * @param count passes, holds, cycles or breaths; null where the kind needs none
 * @param perSecond cycles a second; null unless the kind is {@code cycles}
 */
public record Dose(
        Kind kind,
        @Nullable Double seconds,
        @Nullable Integer count,
        @Nullable Double perSecond) {
    /** One breath in rest takes about ten seconds when it is used to pace a hold (common practice, no source). */
    public static final double SECONDS_A_BREATH = 10;

    /** Longest single dose that is taken for meant: an hour. */
    public static final double MOST_SECONDS = 3600;

    /** Passes, holds, cycles or breaths of one dose, at most. */
    private static final int MOST_COUNT = 1000;

    /** Cycles a second, at least: one in a hundred seconds is no rhythm any more. */
    private static final double SLOWEST = 0.01;

    /** How a dose is measured. */
    public enum Kind {
        SECONDS,
        PASSES,
        HOLDS,
        CYCLES,
        BREATHS,
        UNTIL_SOFT;

        private final String word = Texts.word(this);

        @Override
        public String toString() {
            return word;
        }
    }

    public Dose {
        var faults = new ArrayList<Fault>();
        boolean counted = kind != Kind.SECONDS && kind != Kind.UNTIL_SOFT;
        if (kind == Kind.BREATHS && seconds == null) seconds = SECONDS_A_BREATH;
        if (kind == Kind.CYCLES ? seconds != null : seconds == null)
            faults.add(new Fault(
                    "seconds",
                    String.valueOf(seconds),
                    kind == Kind.CYCLES ? "a dose in cycles takes none" : "is missing"));
        if (seconds != null && !(seconds > 0 && seconds <= MOST_SECONDS))
            faults.add(new Fault("seconds", seconds.toString(), "must be above 0 and at most 3600"));
        if (counted != (count != null))
            faults.add(new Fault(
                    "count", String.valueOf(count), counted ? "is missing" : "a dose in " + kind + " takes none"));
        if (count != null && !(count >= 1 && count <= MOST_COUNT))
            faults.add(new Fault("count", count.toString(), "must be 1 to " + MOST_COUNT));
        if ((kind == Kind.CYCLES) != (perSecond != null))
            faults.add(new Fault(
                    "perSecond",
                    String.valueOf(perSecond),
                    kind == Kind.CYCLES ? "is missing" : "only a dose in cycles has a rate"));
        if (perSecond != null && !(perSecond >= SLOWEST && perSecond <= 10))
            faults.add(new Fault("perSecond", perSecond.toString(), "must be " + SLOWEST + " to 10 a second"));
        if (!faults.isEmpty()) throw new InvalidValue("dose", faults);
    }

    public static Dose seconds(double seconds) {
        return new Dose(Kind.SECONDS, seconds, null, null);
    }

    public static Dose passes(int count, double secondsEach) {
        return new Dose(Kind.PASSES, secondsEach, count, null);
    }

    public static Dose holds(int count, double secondsEach) {
        return new Dose(Kind.HOLDS, secondsEach, count, null);
    }

    public static Dose cycles(int count, double perSecond) {
        return new Dose(Kind.CYCLES, null, count, perSecond);
    }

    public static Dose breaths(int count) {
        return new Dose(Kind.BREATHS, SECONDS_A_BREATH, count, null);
    }

    public static Dose untilSoft(double capSeconds) {
        return new Dose(Kind.UNTIL_SOFT, capSeconds, null, null);
    }

    /**
     * Holds along an edge, one a station: {@code length ÷ spacing} stations, rounded to the nearest whole, at least one. An edge of
     * 101.6 mm (4 in) at 12.7 mm (½ in) is 8 stations.
     *
     * @param lengthMm length of the edge, mm, above 0
     * @param spacingMm distance of two stations, mm, above 0
     * @param holdSeconds seconds a station
     */
    public static Dose stations(double lengthMm, double spacingMm, double holdSeconds) {
        var faults = new ArrayList<Fault>(List.of());
        if (!(lengthMm > 0)) faults.add(new Fault("lengthMm", String.valueOf(lengthMm), "must be above 0"));
        if (!(spacingMm > 0)) faults.add(new Fault("spacingMm", String.valueOf(spacingMm), "must be above 0"));
        if (!faults.isEmpty()) throw new InvalidValue("stations", faults);
        return holds(Math.max(1, (int) FastMath.round(lengthMm / spacingMm)), holdSeconds);
    }

    /** Length of the whole dose in seconds; of "until it softens", the cap. */
    public double totalSeconds() {
        return switch (kind) {
            case SECONDS, UNTIL_SOFT -> need(seconds);
            case PASSES, HOLDS, BREATHS -> need(seconds) * need(count);
            case CYCLES -> need(count) / need(perSecond);
        };
    }

    /** The same kind of dose as near to {@code total} seconds as its whole units allow, never less than one unit nor more than may be. */
    public Dose withTotalSeconds(double total) {
        return switch (kind) {
            case SECONDS, UNTIL_SOFT -> new Dose(kind, Math.min(total, MOST_SECONDS), null, null);
            case PASSES, HOLDS, BREATHS -> new Dose(kind, seconds, units(total / need(seconds)), null);
            case CYCLES -> new Dose(kind, null, units(total * need(perSecond)), perSecond);
        };
    }

    private static int units(double wanted) {
        return (int) Math.max(1, Math.min(MOST_COUNT, Math.ceil(wanted - 1e-9)));
    }

    private static <T> T need(@Nullable T value) {
        if (value == null) throw new IllegalStateException("checked when made");
        return value;
    }

    /** As teachers write it. */
    public String words() {
        return switch (kind) {
            case SECONDS -> round(seconds) + " s";
            case PASSES -> count + " × " + round(seconds) + " s";
            case HOLDS -> count + " holds × " + round(seconds) + " s";
            case BREATHS -> count + " breaths";
            case CYCLES -> count + " at " + perSecond + "/s";
            case UNTIL_SOFT -> "until soft, at most " + round(seconds) + " s";
        };
    }

    private static String round(@Nullable Double seconds) {
        double s = seconds == null ? 0 : seconds;
        return s == FastMath.rint(s) ? String.valueOf((long) s) : String.valueOf(s);
    }
}
