package palmtally.core.demonstration;

import palmtally.core.Texts;

/** Why presenters leave a step out, and whether the class is still to see it (common practice, no source). */
public enum Reason {
    NO_TIME("No time", true),
    SEEN_BEFORE("Seen before", false),
    NOT_ON_THIS_BODY("Not on this body", true),
    NOT_TODAY("Not today", true);

    private final String word = Texts.word(this);

    private final String words;
    private final boolean anotherDay;

    Reason(String words, boolean anotherDay) {
        this.words = words;
        this.anotherDay = anotherDay;
    }

    public String words() {
        return words;
    }

    /** Whether what was skipped for a reason in somebody's own words is still to be shown: it is, unless the class knows it. */
    static boolean anotherDay(String given) {
        for (var r : values()) if (r.words.equalsIgnoreCase(given.strip())) return r.anotherDay;
        return true;
    }

    @Override
    public String toString() {
        return word;
    }
}
