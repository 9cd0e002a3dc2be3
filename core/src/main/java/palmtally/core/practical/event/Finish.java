package palmtally.core.practical.event;

/** The practical is over. */
public record Finish() implements Observation {}
