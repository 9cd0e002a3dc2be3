package palmtally.core.profile;

/** What can be wrong with the therapist's own body, and how much of a look it spoils by default. */
public enum MechanicsFault {
    BENT_ELBOWS("bent elbows", 1),
    BENT_WAIST("bent at the waist", 1),
    LEANING("leaning on the table", 1),
    TWISTED("twisted trunk", 1),
    BARE_THUMB("bare thumb", 1),
    DROPPED_HEAD("dropped head", 0.5),
    RAISED_SHOULDERS("raised shoulders", 0.5),
    TENSE_HAND("tense hand", 0.5);

    private final String label;
    private final double weight;

    MechanicsFault(String label, double weight) {
        this.label = label;
        this.weight = weight;
    }

    public String label() {
        return label;
    }

    /** Share of a look it spoils, 0–1, unless the profile says otherwise. */
    public double weight() {
        return weight;
    }

    @Override
    public String toString() {
        return name().toLowerCase().replace('_', '-');
    }
}
