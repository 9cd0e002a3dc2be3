package palmtally.core.calendar;

import palmtally.core.Texts;

/** What hours of a training are counted as (common practice, no source). */
public enum HourKind {
    THEORY("theory"),
    DEMONSTRATION("demonstration"),
    SUPERVISED_PRACTICE("supervised practice"),
    PRACTICAL("practical"),
    OWN_PRACTICE("own practice"),
    CLINIC("clinic");

    private final String word = Texts.word(this);

    private final String label;

    HourKind(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }

    /** Whether labs have such hours; the others are done elsewhere and entered one by one. */
    public boolean inLabs() {
        return this != OWN_PRACTICE && this != CLINIC;
    }

    @Override
    public String toString() {
        return word;
    }
}
