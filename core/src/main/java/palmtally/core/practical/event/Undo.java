package palmtally.core.practical.event;

/** Takes back another event; an undo can be undone. */
public record Undo(String ref) implements Observation {
    @Override
    public void within(Bounds bounds) {
        bounds.text("ref", ref, 1, 64);
    }
}
