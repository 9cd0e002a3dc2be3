package palmtally.server.practical;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Brings what earlier versions of the app wrote down for Track up to what is shown now. */
@Component
class RecountAtStart {
    private static final Logger log = LoggerFactory.getLogger(RecountAtStart.class);
    private final Awards awards;

    RecountAtStart(Awards awards) {
        this.awards = awards;
    }

    @EventListener(ApplicationReadyEvent.class)
    void recount() {
        int n = awards.recount();
        if (n > 0) log.info("the evidence of {} practicals was written down anew", n);
    }
}
