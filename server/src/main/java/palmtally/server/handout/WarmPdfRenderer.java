package palmtally.server.handout;

import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Prints a page nobody reads once the server is up, so that the first handout does not wait for fonts and classes. */
@Component
class WarmPdfRenderer {
    private final PdfRenderer renderer;

    WarmPdfRenderer(PdfRenderer renderer) {
        this.renderer = renderer;
    }

    @EventListener(ApplicationReadyEvent.class)
    void warm() {
        var thread = new Thread(() -> renderer.print(new Document("warm", "", ""), Paper.A4), "warm-pdf");
        thread.setDaemon(true);
        thread.setPriority(Thread.MIN_PRIORITY);
        thread.start();
    }
}
