package palmtally.server.people;

import java.util.UUID;

/** A row of account; password is a hash that names its own scheme. */
record Account(UUID id, String name, String signIn, String password, String role) {}
