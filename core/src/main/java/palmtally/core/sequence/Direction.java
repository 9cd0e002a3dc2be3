package palmtally.core.sequence;

import palmtally.core.Texts;

/** Which way a stroke goes. Spoken instructions are often ambiguous, so the choice is explicit or not made at all. */
public enum Direction {
    PROXIMAL("towards the trunk"),
    DISTAL("away from the trunk"),
    CRANIAL("towards the head"),
    CAUDAL("towards the feet"),
    MEDIAL("towards the midline"),
    LATERAL("away from the midline"),
    ACROSS("across the fibre"),
    CIRCULAR("in circles");

    private final String word = Texts.word(this);

    private final String label;

    Direction(String label) {
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
