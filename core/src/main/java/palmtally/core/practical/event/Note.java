package palmtally.core.practical.event;

/** A note in words; it scores nothing. */
public record Note(String text) implements Observation {
    @Override
    public void within(Bounds bounds) {
        bounds.text("text", text);
    }

    @Override
    public boolean judges() {
        return true;
    }
}
