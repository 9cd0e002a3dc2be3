package palmtally.core.practical.event;

/** Takes back another event; an undo can be undone. */
public record Undo(@Words(least = 1, most = 64) String ref) implements Observation {}
