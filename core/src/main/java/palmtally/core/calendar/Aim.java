package palmtally.core.calendar;

import palmtally.core.Texts;

/** What a lesson does with a region, in the order a region meets them. */
public enum Aim {
    TEACH("taught"),
    PRACTISE("practised"),
    ASSESS("assessed"),
    MEET_AGAIN("met again");

    private final String word = Texts.word(this);

    private final String done;

    Aim(String done) {
        this.done = done;
    }

    /** As in "the neck is taught in week 1". */
    public String done() {
        return done;
    }

    @Override
    public String toString() {
        return word;
    }
}
