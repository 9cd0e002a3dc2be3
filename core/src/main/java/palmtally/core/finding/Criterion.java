package palmtally.core.finding;

import palmtally.core.Texts;

/** The five criteria in the order of the fingers, thumb to little finger. */
public enum Criterion {
    PRESSURE("Pressure control"),
    ORDER("Stroke order"),
    MECHANICS("Body mechanics"),
    COMMUNICATION("Client communication"),
    DRAPING("Draping");

    private final String word = Texts.word(this);

    private final String label;

    Criterion(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }

    @Override
    public String toString() {
        return word;
    }
}
