package palmtally.server.handout;

import java.util.Locale;
import palmtally.core.InvalidValue;
import palmtally.core.InvalidValue.Fault;

/** A size of paper, in millimetres. */
public enum Paper {
    A4("210mm 297mm", 210),
    LETTER("215.9mm 279.4mm", 215.9);

    private final String size;
    private final double width;

    /** Margin on each side, millimetres. */
    private static final double MARGIN = 13;

    Paper(String size, double width) {
        this.size = size;
        this.width = width;
    }

    /** @throws InvalidValue where it is neither a4 nor letter */
    static Paper of(String name) {
        for (var p : values()) if (p.toString().equalsIgnoreCase(name)) return p;
        throw new InvalidValue("paper", new Fault("paper", name, "must be a4 or letter"));
    }

    String size() {
        return size;
    }

    /** Width between the margins, in millimetres. */
    double inner() {
        return width - 2 * MARGIN;
    }

    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT);
    }
}
