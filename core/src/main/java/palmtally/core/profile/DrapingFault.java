package palmtally.core.profile;

/** What can be wrong with the sheet, and the points it costs by default. */
public enum DrapingFault {
    LOOSE("loose tuck", 5),
    LEFT_OPEN("left open", 10),
    LIFTED_TOO_HIGH("leg lifted too high", 5),
    NOT_SECURED("not secured", 10),
    NOT_COVERED_AT_END("not covered at the end", 15);

    private final String label;
    private final double price;

    DrapingFault(String label, double price) {
        this.label = label;
        this.price = price;
    }

    public String label() {
        return label;
    }

    /** Points off 100, unless the profile says otherwise. */
    public double price() {
        return price;
    }

    @Override
    public String toString() {
        return name().toLowerCase().replace('_', '-');
    }
}
