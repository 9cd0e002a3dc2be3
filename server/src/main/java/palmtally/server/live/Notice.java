package palmtally.server.live;

/** Something that every server of a school hears of as soon as one of them says it, by {@code pg_notify} on a channel of its own. */
public interface Notice {
    /** Name of the channel: lower case letters and underscores. */
    String channel();

    /** Called on the listening thread: after each notice, and where some may have been missed. */
    void heard();
}
