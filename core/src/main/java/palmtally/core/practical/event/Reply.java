package palmtally.core.practical.event;

import org.jspecify.annotations.Nullable;

/**
 * The client replies.
 *
 * @param clear not vague
 * @param followedUp a vague one was asked after
 * @param volunteered nobody had asked
 */
public record Reply(
        boolean clear,
        @Nullable Boolean followedUp,
        @Nullable Boolean volunteered) implements Observation {
    public static Reply vague() {
        return new Reply(false, null, null);
    }

    /** The vague reply before it, or this one, was asked after. */
    public static Reply asked() {
        return new Reply(false, true, null);
    }

    public static Reply heard() {
        return new Reply(true, null, null);
    }

    public boolean vagueAndLeft() {
        return !clear && !Boolean.TRUE.equals(followedUp);
    }

    /** A reply stands for the question before it, unless it was volunteered. */
    public boolean wasAsked() {
        return !Boolean.TRUE.equals(volunteered);
    }

    @Override
    public boolean judges() {
        return true;
    }
}
