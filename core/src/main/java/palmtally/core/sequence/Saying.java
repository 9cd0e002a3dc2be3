package palmtally.core.sequence;

import org.jspecify.annotations.Nullable;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;

/**
 * Something to say during a step.
 *
 * @param kind what it is for
 * @param words the words, or null where the kind says enough
 * @param atSeconds seconds after the step begins, 0 or more
 */
public record Saying(SayKind kind, @Nullable String words, double atSeconds) {
    public Saying {
        if (!(atSeconds >= 0 && atSeconds <= 3600))
            throw new InvalidValue("saying", new Fault("atSeconds", String.valueOf(atSeconds), "must be 0 to 3600"));
    }

    public static Saying of(SayKind kind, String words) {
        return new Saying(kind, words, 0);
    }

    /** Whether it asks the client something that keeps silence from growing. */
    public boolean asks() {
        return kind == SayKind.PRESSURE_QUESTION || kind == SayKind.CHOICE || kind == SayKind.INTERVIEW;
    }
}
