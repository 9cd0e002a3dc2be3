package palmtally.server.handout;

import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Prints a page nobody reads once the server is up, so that the first handout does not wait for fonts and classes. */
@Component
class WarmPress {
    @EventListener(ApplicationReadyEvent.class)
    void warm() {
        var thread =
                new Thread(() -> Press.print("", "<h1>a</h1><p><b>b</b> \u0142</p>", Paper.A4, "", 9), "warm-press");
        thread.setDaemon(true);
        thread.setPriority(Thread.MIN_PRIORITY);
        thread.start();
    }
}
