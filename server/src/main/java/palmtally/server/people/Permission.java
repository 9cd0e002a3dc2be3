package palmtally.server.people;

/** Who may call an endpoint. What depends on the record that is asked for, its service decides besides. */
public enum Permission {
    /** Whoever reaches the server. */
    ANYBODY,
    /** Whoever is signed in; students see what is theirs. */
    SIGNED_IN,
    /** Who teaches or grades. */
    STAFF,
    /** Who writes sequences, techniques and plans: instructors and the lead. */
    PLANNER,
    /** Who leads the school. */
    LEAD,
    /** Who teaches or grades in the term that the path names as {@code {term}}, on the day of their lab also a substitute. */
    TERM_STAFF,
    /** Who teaches or grades in that term all along: what is taken away of a whole class is not for one day. */
    TERM_MEMBER,
    /** Instructors of the term that the path names as {@code {term}}, and the lead. */
    TERM_PLANNER;

    /** Whether somebody of a role may call it at all, in a term of theirs where one is asked for. */
    public boolean allows(Role role) {
        return switch (this) {
            case ANYBODY, SIGNED_IN -> true;
            case STAFF, TERM_STAFF, TERM_MEMBER -> role.staff();
            case PLANNER, TERM_PLANNER -> role == Role.LEAD || role == Role.INSTRUCTOR;
            case LEAD -> role == Role.LEAD;
        };
    }

    /** Whether it is only for those who teach in the term that the path names. */
    public boolean ofTerm() {
        return this == TERM_STAFF || this == TERM_MEMBER || this == TERM_PLANNER;
    }

    /** Whether it is also for those who take one lab of the term, on the day of that lab. */
    boolean ofSubstitutes() {
        return this == TERM_STAFF;
    }

    /** What is told to somebody who is signed in and may not. */
    public String refusal() {
        return switch (this) {
            case PLANNER, TERM_PLANNER -> "Graders read this; instructors change it.";
            case LEAD -> "This is the lead's.";
            default -> "This is not open to your sign-in.";
        };
    }
}
