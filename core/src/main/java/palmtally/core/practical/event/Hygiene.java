package palmtally.core.practical.event;

/** Hands washed, wiped, or not. */
public record Hygiene(@Words String text) implements Observation {}
