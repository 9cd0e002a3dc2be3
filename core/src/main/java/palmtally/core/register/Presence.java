package palmtally.core.register;

import java.util.ArrayList;
import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.Texts;
import palmtally.core.profile.Hours;

/**
 * What is marked of one student in one lab. Where nothing is marked there is none: that is neither there nor away.
 *
 * @param lateMinutes from the beginning of the lab until they came, 0 to 480; 0 unless they were there
 * @param leftMinutes from the beginning of the lab until they left, or null where they stayed to its end
 */
public record Presence(
        Kind kind, double lateMinutes, @Nullable Double leftMinutes) {
    /** Whether somebody was there. */
    public enum Kind {
        PRESENT("there"),
        ABSENT("away"),
        EXCUSED("excused");

        private final String word = Texts.word(this);

        private final String label;

        Kind(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }

        @Override
        public String toString() {
            return word;
        }
    }

    private static final double QUARTER = 15;

    public Presence {
        var faults = new ArrayList<Fault>();
        if (!(lateMinutes >= 0 && lateMinutes <= 480))
            faults.add(new Fault("lateMinutes", String.valueOf(lateMinutes), "must be 0 to 480"));
        if (leftMinutes != null && !(leftMinutes >= 0 && leftMinutes <= 480))
            faults.add(new Fault("leftMinutes", String.valueOf(leftMinutes), "must be 0 to 480"));
        if (faults.isEmpty() && leftMinutes != null && leftMinutes < lateMinutes)
            faults.add(new Fault(
                    "leftMinutes",
                    String.valueOf(leftMinutes),
                    "is before they came, " + lateMinutes + " minutes after the beginning"));
        if (kind != Kind.PRESENT && (lateMinutes != 0 || leftMinutes != null))
            faults.add(new Fault("kind", kind.toString(), "was not there, so neither came late nor left"));
        if (!faults.isEmpty()) throw new InvalidValue("presence", faults);
    }

    public static final Presence THERE = new Presence(Kind.PRESENT, 0, null);
    public static final Presence AWAY = new Presence(Kind.ABSENT, 0, null);
    public static final Presence EXCUSED = new Presence(Kind.EXCUSED, 0, null);

    /** Whether they were there, also for a part of it. */
    public boolean there() {
        return kind == Kind.PRESENT;
    }

    /** Whether the lab counts as missed: not there, or so late that the school counts nothing of it. */
    boolean missed(Hours rules) {
        return kind != Kind.PRESENT || lateMinutes >= rules.missedFromMinutes();
    }

    /** From which minute of the lab on their time counts. */
    double from(Hours rules) {
        if (lateMinutes <= rules.graceMinutes()) return 0;
        return rules.counted() == Hours.Counted.QUARTER_HOURS
                ? Math.ceil(lateMinutes / QUARTER) * QUARTER
                : lateMinutes;
    }

    /** Until which minute of the lab their time counts. */
    double to(HeldLab lab, Hours rules) {
        if (leftMinutes == null || leftMinutes >= lab.minutes()) return lab.minutes();
        return rules.counted() == Hours.Counted.QUARTER_HOURS
                ? Math.floor(leftMinutes / QUARTER) * QUARTER
                : leftMinutes;
    }
}
