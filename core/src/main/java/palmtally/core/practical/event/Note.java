package palmtally.core.practical.event;

/** A note in words; it scores nothing. */
public record Note(@Words String text) implements Observation {
    @Override
    public boolean judges() {
        return true;
    }
}
