package palmtally.server.handout;

import java.util.List;
import java.util.Optional;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import palmtally.core.body.Region;
import palmtally.core.body.Zone;
import palmtally.core.picture.Build;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Template;

/** Prints a handout nobody reads once the server is up, so that the first one does not wait for fonts and classes. */
@Component
class WarmPdfRenderer {
    private final PdfRenderer renderer;

    WarmPdfRenderer(PdfRenderer renderer) {
        this.renderer = renderer;
    }

    @EventListener(ApplicationReadyEvent.class)
    void warm() {
        var thread = new Thread(this::print, "warm-pdf");
        thread.setDaemon(true);
        thread.setPriority(Thread.MIN_PRIORITY);
        thread.start();
    }

    private void print() {
        var profile = Profile.shipped().get(0);
        var some = Template.TOOL_LADDER.sequence("warm", "Warm", Region.THIGH, 600, List.of(Zone.HAMSTRINGS), profile);
        var handout = new SequenceHandout(some, profile, Density.WORDS, Build.MIDDLE, photo -> Optional.empty());
        renderer.print(handout.document("", 1), Paper.A4);
    }
}
