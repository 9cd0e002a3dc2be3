package palmtally.server.live;

import java.io.IOException;
import java.util.concurrent.Executor;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicReference;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter.SseEventBuilder;

/**
 * One open stream. It holds the last thing that is to be told and no more: whoever reads slowly skips what is out of date, and keeps
 * nobody waiting but a thread of its own.
 */
final class Onlooker {
    private static final String BEAT = "";
    final String channel;
    final String key;
    final Live.Who who;
    final SseEmitter emitter;
    private final Executor senders;
    private final AtomicReference<String> next = new AtomicReference<>();
    private final AtomicBoolean sending = new AtomicBoolean();
    private volatile boolean gone;

    /** @param senders gives each onlooker that is being told something a thread of its own */
    Onlooker(String channel, String key, Live.Who who, SseEmitter emitter, Executor senders) {
        this.channel = channel;
        this.key = key;
        this.who = who;
        this.emitter = emitter;
        this.senders = senders;
    }

    boolean gone() {
        return gone;
    }

    void tell(String state) {
        next.set(state);
        wake();
    }

    /** A sign of life, which also finds out whether the other end still is there. */
    void beat() {
        if (next.compareAndSet(null, BEAT)) wake();
    }

    private void wake() {
        if (!gone && sending.compareAndSet(false, true)) senders.execute(this::send);
    }

    private void send() {
        try {
            for (var what = next.getAndSet(null); what != null; what = next.getAndSet(null))
                emitter.send(what.equals(BEAT) ? SseEmitter.event().name("beat").data(BEAT) : event(what));
        } catch (IOException | IllegalStateException e) {
            // The other end is gone; it will come again by itself.
            leave();
        } finally {
            sending.set(false);
        }
        if (next.get() != null) wake();
    }

    private static SseEventBuilder event(String state) {
        return SseEmitter.event().name("state").reconnectTime(1000).data(state);
    }

    void leave() {
        gone = true;
    }

    /** Closes the stream. It waits for what is being sent, which may be long where nobody reads: so it too has a thread of its own. */
    void end() {
        leave();
        senders.execute(emitter::complete);
    }
}
