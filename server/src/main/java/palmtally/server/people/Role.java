package palmtally.server.people;

import java.util.Locale;

/** What somebody may do. */
public enum Role {
    LEAD,
    INSTRUCTOR,
    GRADER,
    STUDENT;

    /** Whether it teaches or grades. */
    public boolean staff() {
        return this != STUDENT;
    }

    public static Role of(String text) {
        return valueOf(text.toUpperCase(Locale.ROOT));
    }

    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT);
    }
}
