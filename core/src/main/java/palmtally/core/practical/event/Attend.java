package palmtally.core.practical.event;

/** Eyes on this table from now, or no longer. */
public record Attend(boolean on) implements Observation {}
