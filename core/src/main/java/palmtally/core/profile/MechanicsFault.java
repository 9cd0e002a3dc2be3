package palmtally.core.profile;

import palmtally.core.Texts;

/** What can be wrong with the therapist's own body, and how much of a look it spoils by default. */
public enum MechanicsFault implements Weighed {
    BENT_ELBOWS("bent elbows", 1),
    BENT_WAIST("bent at the waist", 1),
    LEANING("leaning on the table", 1),
    TWISTED("twisted trunk", 1),
    BARE_THUMB("bare thumb", 1),
    DROPPED_HEAD("dropped head", 0.5),
    RAISED_SHOULDERS("raised shoulders", 0.5),
    TENSE_HAND("tense hand", 0.5),
    LIFTING_WITH_BACK("lifting with the back", 1, true),
    PULLING_WITH_ARMS("pulling with the arms", 0.5, true),
    REACHING("reaching instead of walking", 1, true);

    private final String word = Texts.word(this);

    private final String label;
    private final double weight;
    private final boolean added;

    MechanicsFault(String label, double weight) {
        this(label, weight, false);
    }

    MechanicsFault(String label, double weight, boolean added) {
        this.label = label;
        this.weight = weight;
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
        return weight;
    }

    @Override
    public String toString() {
        return word;
    }
}
