package palmtally.core.practical.event;

import palmtally.core.body.Position;

/** The client lies otherwise from now on. */
public record Turn(Position position) implements Observation {}
