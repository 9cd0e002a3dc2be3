package palmtally.core.secondlook;

import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;
import palmtally.core.Texts;
import palmtally.core.finding.Criterion;

/**
 * What a student asks to have looked at again, and why.
 *
 * @param criterion the one mark, or null for all five
 */
public record SecondLookAsked(@Nullable Criterion criterion, String reason) {
    /** Letters of a reason. */
    static final int MOST = 2000;

    /** @throws InvalidValue where no reason is given, or too long a one */
    public SecondLookAsked {
        reason = reason(reason);
    }

    /** @throws InvalidValue where it says nothing or too much */
    static String reason(@Nullable String given) {
        var reason = given == null ? "" : given.strip();
        if (reason.isEmpty() || reason.length() > MOST)
            throw new InvalidValue(
                    "second look",
                    new Fault(
                            "reason",
                            reason.isEmpty() ? "" : reason.length() + " characters",
                            "must be 1 to " + MOST + " characters"));
        Texts.unkept(reason).ifPresent(why -> {
            throw new InvalidValue("second look", new Fault("reason", "", why));
        });
        return reason;
    }

    public boolean about(Criterion c) {
        return criterion == null || criterion == c;
    }
}
