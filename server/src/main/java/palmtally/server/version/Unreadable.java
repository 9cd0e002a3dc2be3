package palmtally.server.version;

/**
 * A document of which no version can be read.
 *
 * @param name and region as they were when its newest version was saved
 */
public record Unreadable(String id, String name, String region, int version, String why) {}
