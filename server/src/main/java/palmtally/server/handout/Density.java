package palmtally.server.handout;

import java.util.Locale;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;

/** How much of a sequence stands on paper. */
public enum Density {
    /** Each step with its picture and all that is said of it. */
    WORDS,
    /** Each step as a picture with its name and its dose. */
    CARDS,
    /** All steps small, in their order, to prop beside the table. */
    ORDER;

    /** @throws InvalidValue where it is none of them */
    static Density of(String name) {
        for (var d : values()) if (d.toString().equalsIgnoreCase(name)) return d;
        throw new InvalidValue("handout", new Fault("density", name, "must be words, cards or order"));
    }

    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT);
    }
}
