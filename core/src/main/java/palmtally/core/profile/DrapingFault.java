package palmtally.core.profile;

import palmtally.core.Texts;

/** What can be wrong with the sheet, and the points it costs by default. */
public enum DrapingFault implements Weighed {
    LOOSE("loose tuck", 5),
    LEFT_OPEN("left open", 10),
    LIFTED_TOO_HIGH("leg lifted too high", 5),
    NOT_SECURED("not secured", 10),
    NOT_COVERED_AT_END("not covered at the end", 15),
    OTHER("something else missed", 3, true);

    private final String word = Texts.word(this);

    private final String label;
    private final double price;
    private final boolean added;

    DrapingFault(String label, double price) {
        this(label, price, false);
    }

    DrapingFault(String label, double price, boolean added) {
        this.label = label;
        this.price = price;
        this.added = added;
    }

    @Override
    public boolean added() {
        return added;
    }

    @Override
    public String label() {
        return label;
    }

    @Override
    public double usual() {
        return price;
    }

    @Override
    public String toString() {
        return word;
    }
}
