package palmtally.core.calendar;

import palmtally.core.Texts;

/** What a lesson does with a region, in the order a region meets them. */
public enum Aim {
    EXPLAIN("explained", HourKind.THEORY),
    TEACH("taught", HourKind.DEMONSTRATION),
    PRACTISE("practised", HourKind.SUPERVISED_PRACTICE),
    ASSESS("assessed", HourKind.PRACTICAL),
    MEET_AGAIN("met again", HourKind.SUPERVISED_PRACTICE);

    private final String word = Texts.word(this);

    private final String done;
    private final HourKind hours;

    Aim(String done, HourKind hours) {
        this.done = done;
        this.hours = hours;
    }

    /** As in "the neck is taught in week 1". */
    public String done() {
        return done;
    }

    /** What its minutes are counted as. */
    public HourKind hours() {
        return hours;
    }

    /** Whether students have their hands on. */
    public boolean handsOn() {
        return this != EXPLAIN && this != TEACH;
    }

    @Override
    public String toString() {
        return word;
    }
}
