package palmtally.server.version;

import java.time.Instant;

/** A line of the history of a document. */
public record VersionLine(int version, String what, Instant createdAt) {}
