package palmtally.core.practical.event;

/** Hands washed, wiped, or not. */
public record Hygiene(String text) implements Observation {
    @Override
    public void within(Bounds bounds) {
        bounds.text("text", text);
    }
}
