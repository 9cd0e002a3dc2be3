package palmtally.server.handout;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.springframework.boot.autoconfigure.condition.ConditionalOnBooleanProperty;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import palmtally.core.body.Region;
import palmtally.core.body.Zone;
import palmtally.core.picture.Build;
import palmtally.core.profile.Profile;
import palmtally.core.sequence.Template;

/**
 * Prints handouts nobody reads once the server is up, so that the first one does not wait for fonts, classes and their compilation. As
 * long as a handout of a usual length, for a shorter one leaves half of that undone; and a moment late, when the first screen is there.
 */
@Component
@ConditionalOnBooleanProperty("palm.warm")
class WarmPdfRenderer {
    private static final Duration FIRST_SCREEN = Duration.ofSeconds(2);

    private final PdfRenderer renderer;

    WarmPdfRenderer(PdfRenderer renderer) {
        this.renderer = renderer;
    }

    @EventListener(ApplicationReadyEvent.class)
    void warm() {
        var thread = new Thread(this::afterAMoment, "warm-pdf");
        thread.setDaemon(true);
        thread.start();
    }

    private void afterAMoment() {
        try {
            Thread.sleep(FIRST_SCREEN.toMillis());
            print();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    void print() {
        var profile = Profile.shipped().get(0);
        var zones = List.of(Zone.HAMSTRINGS, Zone.CALF, Zone.GLUTEALS, Zone.LUMBAR);
        var usual = Template.PROTOCOL.sequence("warm", "Warm", Region.THIGH, 1800, zones, profile);
        for (var density : Density.values()) {
            var handout = new SequenceHandout(usual, profile, density, Build.MIDDLE, photo -> Optional.empty());
            renderer.print(handout.document("", 1), Paper.A4);
        }
    }
}
