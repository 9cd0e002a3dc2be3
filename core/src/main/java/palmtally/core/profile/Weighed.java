package palmtally.core.profile;

/** What has a number of its own in every profile: its name, and what the number is unless a school says otherwise. */
public interface Weighed {
    String label();

    double usual();

    /** Whether older files lack it. */
    default boolean added() {
        return false;
    }
}
