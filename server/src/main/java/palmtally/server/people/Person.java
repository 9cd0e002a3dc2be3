package palmtally.server.people;

import java.util.UUID;

/** Somebody as others see them. */
public record Person(UUID id, String name, Role role) {}
