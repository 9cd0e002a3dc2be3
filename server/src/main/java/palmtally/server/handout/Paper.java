package palmtally.server.handout;

import java.util.Locale;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;

/** A size of paper, in millimetres. */
public enum Paper {
    A4("210mm 297mm"),
    LETTER("215.9mm 279.4mm");

    private final String size;

    Paper(String size) {
        this.size = size;
    }

    /** @throws InvalidValue where it is neither a4 nor letter */
    static Paper of(String name) {
        for (var p : values()) if (p.toString().equalsIgnoreCase(name)) return p;
        throw new InvalidValue("paper", new Fault("paper", name, "must be a4 or letter"));
    }

    String size() {
        return size;
    }

    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT);
    }
}
