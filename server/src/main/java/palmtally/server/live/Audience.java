package palmtally.server.live;

/** Those who look on at one kind of thing, on a channel of their own: what is sent to one audience is never seen by another. */
public interface Audience {
    /** Name of the channel: lower case letters and underscores. */
    String channel();

    /**
     * What somebody who looks at {@code key} must know now, as JSON. Told whole every time, so that one who missed something is right
     * again with the next.
     */
    String state(String key);
}
