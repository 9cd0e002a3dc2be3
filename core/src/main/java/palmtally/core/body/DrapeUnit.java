package palmtally.core.body;

import palmtally.core.Texts;

/** What the sheet opens and closes as one piece. */
public enum DrapeUnit {
    /** Head and neck lie outside the sheet: never opened, never left open. */
    HEAD(false),
    BACK(false),
    CHEST(false),
    ABDOMEN(false),
    HIP(true),
    ARM(true),
    LEG(true);

    private final String word = Texts.word(this);

    private final boolean paired;

    DrapeUnit(boolean paired) {
        this.paired = paired;
    }

    /** Whether the sheet opens the left and the right one separately. */
    public boolean paired() {
        return paired;
    }

    /** Whether the sheet ever covers it. */
    public boolean draped() {
        return this != HEAD;
    }

    @Override
    public String toString() {
        return word;
    }
}
