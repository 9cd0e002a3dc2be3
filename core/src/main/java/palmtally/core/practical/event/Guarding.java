package palmtally.core.practical.event;

/** The client guards: holds a limb, holds the breath, tenses against the hand. */
public record Guarding() implements Observation {
    @Override
    public boolean judges() {
        return true;
    }
}
